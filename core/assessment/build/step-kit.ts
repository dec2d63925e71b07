/** What steps are made with: times, cautions, places and lines of glue on pieces. */
import { polygonArea, polygonPerimeter, type Piece } from '../../geometry'
import type { Stock } from '../../libraries'
import type { Chain } from './site'
import type { BuildStep, Side } from './step'

/** Hands on, min: the middle of what people report; ± 40 % from one pair of hands to another. */
export const MINUTES = {
  weighPiece: 1,
  dryPiece: 1,
  dry: 2,
  centre: 5,
  lead: 4,
  spar: 5,
  join: 4,
  rib: 2,
  cover: 10,
  coverDm2: 1.2,
  servo: 5,
  horn: 4,
  hinge: 2,
  hinges: 3,
  tape: 5,
  rod: 8,
  nuts: 8,
  motor: 8,
  putIn: 4,
  wired: 6,
  boom: 10,
  leg: 12,
  wheel: 4,
  halves: 8,
  setWing: 6,
  strut: 12,
  pod: 6,
  align: 10,
  tail: 8,
  given: 6,
  lid: 10,
  direction: 5,
  finish: 20,
  propeller: 5,
  balance: 15,
  mend: 25,
} as const

type Draft = Pick<BuildStep, 'id' | 'kind' | 'bench' | 'title' | 'how' | 'minutes' | 'at'> &
  Partial<BuildStep>

export const step = (draft: Draft): BuildStep => ({
  subject: {},
  touches: [],
  parts: [],
  joins: [],
  from: [0, 0, 0],
  glue: null,
  glueMm: () => 0,
  gate: null,
  caution: null,
  hand: [],
  ...draft,
})

const CARBON = 'Carbon: cut and sand it wet, with mask and gloves; the dust stays in the lungs.'

/** What cutting and sanding a stock asks for; nothing is breathed in of wire. */
export const cutCaution = ({ name }: Stock): string | null =>
  name.toLowerCase().includes('carbon') ? CARBON : null

export const LIVE =
  'Propeller off for every trial on the bench. With the battery in, a motor may start at any moment: hands and face out of its plane.'

export const LITHIUM =
  'Lithium battery: never charge it alone in a room, never use a swollen or dented one, carry it in a fireproof bag.'

export const sideSign = (side: Side) => (side === 'port' ? -1 : 1)

/** The middle of a piece's section, in its own plane. */
export function centreOf(piece: Piece, at: number): [number, number] {
  const [loop] = piece.sectionAt(Math.min(piece.to - 0.01, at))
  if (!loop) return [0, 0]
  const { x, y } = polygonArea(loop)
  return [x, y]
}

export function middleOf(piece: Piece): [number, number, number] {
  const at = (piece.from + piece.to) / 2
  return piece.place(...centreOf(piece, at), at)
}

/** Round the outermost loop of a section, mm. */
export const rim = (piece: Piece, at: number): number =>
  Math.max(
    0,
    ...piece.sectionAt(Math.min(piece.to - 0.01, Math.max(piece.from + 0.01, at))).map(polygonPerimeter),
  )

export const named = (chain: Chain): string => {
  const label = {
    wing: 'wing',
    second: 'second wing',
    winglet: 'winglet',
    horizontal: 'tailplane',
    vertical: 'fin',
    body: 'body',
  }[chain.part]
  return chain.side === 'centre' ? label : `${chain.side} ${label}`
}

export const nameOf = (words: string) => words.replace(/^\p{Lu}(?=\p{Ll})/u, letter => letter.toLowerCase())
