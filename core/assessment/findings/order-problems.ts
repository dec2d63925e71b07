/** What cannot be put together, said before anything is printed. */
import { REACH, siteOf } from '../build'
import { dimensions, q, say } from '../../units'
import type { Airframe } from '../resolve'
import type { Finding } from '../report'

export const orderProblems = (airframe: Airframe): Finding[] => {
  const site = siteOf(airframe)
  return [...sparsShutIn(site), ...partsShutIn(site), ...leadsShutIn(site)]
}

type Site = ReturnType<typeof siteOf>

const sparsShutIn = ({ spars }: Site): Finding[] =>
  spars
    .filter(({ shutIn, chain }) => shutIn && chain.side !== 'port')
    .map(({ line, chain, runs }): Finding => {
      const piece = chain.pieces[runs![0]]
      return {
        code: 'spar-shut-in',
        stations: ['spine', 'split'],
        severity: 'stop',
        where: say`${line.spar.name} in ${piece.name}`,
        value: Math.min(line.from - piece.from, piece.to - line.to),
        limit: 0,
        unit: 'mm',
        text: say`${line.spar.name} begins ${q(line.from - piece.from, 'mm', 0)} inside ${piece.name} and ends ${q(piece.to - line.to, 'mm', 0)} before its other end: its bore opens nowhere, and nothing can be put in`,
        remedy: say`Spine: begin it at ${q(piece.from, 'mm', 0)} or end it at ${q(piece.to, 'mm', 0)}; or Split: a cut between ${q(line.from, 'mm', 0)} and ${q(line.to, 'mm', 0)}`,
      }
    })

/** What must be got at again: a part that is sealed in is mended by sawing. */
const GOT_AT = new Set(['battery', 'payload', 'receiver', 'speed-controller', 'servo', 'sensor'])

function partsShutIn({ access, body }: Site): Finding[] {
  return access
    .filter(
      ({ through, beforeWing, shutIn, item }) =>
        (through === null || beforeWing) && (shutIn || GOT_AT.has(item.kind)),
    )
    .map(({ item, piece, shutIn, beforeWing }): Finding => {
      const shut = shutIn || item.kind === 'battery' || item.kind === 'payload'
      const [small, middle] = [...item.sizeMm].sort((a, b) => a - b)
      return {
        code: shut ? 'part-shut-in' : 'part-sealed-in',
        stations: ['shape', 'split'],
        severity: shut ? 'stop' : 'warn',
        where: say`${item.name} in ${body!.pieces[piece].name}`,
        value: middle,
        limit: 0,
        unit: 'mm',
        text: shutIn
          ? say`${item.name} (${dimensions(item.sizeMm, 0)}) cannot get into the body: it is one piece, and no hatch within ${q(REACH, 'mm', 0)} of it lets it through`
          : say`${item.name} (${dimensions(item.sizeMm, 0)}) goes in ${beforeWing ? 'through the seat before the wing is glued on' : 'through an open end while the body is built'}, and ${shut ? 'cannot be changed at the field' : 'cannot be taken out again without a saw'}: no hatch within ${q(REACH, 'mm', 0)} of it lets it through`,
        remedy: say`Shape: an opening of at least ${q(middle + 4, 'mm', 0)} × ${q(small + 4, 'mm', 0)} near ${q(item.xMm, 'mm', 0)}`,
      }
    })
}

const leadsShutIn = ({ pockets }: Site): Finding[] =>
  pockets
    .filter(
      ({ item, run, piece, chain }) => !run && piece > 0 && item.kind === 'servo' && chain.side !== 'port',
    )
    .map(({ item, piece, chain }): Finding => ({
      code: 'lead-shut-in',
      stations: ['shape', 'split'],
      severity: 'warn',
      where: say`${item.name} in ${chain.pieces[piece].name}`,
      value: piece,
      limit: 0,
      unit: '',
      text: say`The lead of ${item.name} has no run: ${piece} closed ${piece === 1 ? 'joint lies' : 'joints lie'} between its bay and the root, and it would have to be taped along the skin`,
      remedy: 'Shape: give its bay a run for the lead, 4 mm in diameter',
    }))
