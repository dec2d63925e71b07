/** Another wing beside the first, alike, with what holds it; or away with it. mm */
import type { BodyStation, ProjectFile, Strut, Surface } from '../document'

export type SecondPlace = 'over' | 'under' | 'behind'

/** Gap between the two, and how far the upper one stands ahead, in root chords: as biplanes are usually built. */
const GAP = 1,
  STAGGER = 0.25,
  /** A rear wing's leading edge behind the first one's, at most and at least; and ahead of a tailplane's. */
  BEHIND = 3,
  LEAST_BEHIND = 1.4,
  CLEAR = 1.1
/** Outer struts, share of the half span. */
const OUT = 0.62
/** Struts of small aircraft, and of those that span more, mm. */
const THIN = 'rod-2',
  THICK = 'rod-3',
  THICK_FROM = 1100
const FITTING_G = 0.5
/** Spars and struts of a document; see its schema. */
const MOST_SPARS = 24,
  MOST_STRUTS = 16

const half = (value: number): number => Math.round(2 * value) / 2

/** The body at a place, between its stations; null where there is none. */
function bodyAt(
  stations: readonly BodyStation[],
  x: number,
): { top: number; under: number; wide: number } | null {
  const next = stations.findIndex(station => station.xMm >= x)
  if (next < 0 || (next === 0 && stations[0].xMm > x)) return null
  const b = stations[next],
    a = stations[Math.max(0, next - 1)],
    t = b.xMm > a.xMm ? (x - a.xMm) / (b.xMm - a.xMm) : 0
  const mix = (of: (station: BodyStation) => number) => of(a) + (of(b) - of(a)) * t
  const z = mix(station => station.zMm),
    height = mix(station => station.heightMm)
  return { top: z + height / 2, under: z - height / 2, wide: mix(station => station.widthMm) }
}

/**
 * Over and under: a biplane, its upper wing ahead, with struts between the wings and, where the second stands clear of
 * the body, from the body to it. Behind: a tandem. Spars are the first wing's again; controls stay where they are.
 */
/** What of a document it is about. */
type Turned = Pick<ProjectFile, 'second' | 'spars' | 'struts' | 'cuts' | 'equipment'>
type Winged = Pick<
  ProjectFile,
  'wing' | 'second' | 'tail' | 'body' | 'boom' | 'spars' | 'struts' | 'cuts' | 'equipment'
>

export function withSecondWing(doc: Winged, place: SecondPlace | null): Turned {
  const plain = withoutSecond(doc)
  if (!place) return plain
  const { wing, body } = doc,
    root = wing.rootChordMm
  const tail = doc.tail.kind === 'none' ? null : doc.tail.horizontal
  // Ahead of a tailplane that stays: one in the other flies nowhere.
  const rear = Math.max(
    wing.xMm + LEAST_BEHIND * root,
    Math.min(wing.xMm + BEHIND * root, tail && tail.xMm > wing.xMm ? tail.xMm - CLEAR * root : Infinity),
  )
  const xMm = half(place === 'behind' ? rear : wing.xMm + (place === 'over' ? -1 : 1) * STAGGER * root)
  const middle = xMm + 0.3 * root,
    under = bodyAt(body?.stations ?? [], middle)
  const heights: Record<SecondPlace, number> = {
    over: wing.zMm + GAP * root,
    under: under ? Math.min(under.under, wing.zMm - 0.4 * root) : wing.zMm - GAP * root,
    behind: under ? (under.top + under.under) / 2 : (doc.boom?.zMm ?? wing.zMm),
  }
  const second: Surface = { ...wing, xMm, zMm: half(heights[place]), controls: [] }
  const taken = new Set(plain.spars.map(spar => spar.id))
  const free = (wanted: string): string => {
    let id = wanted
    for (let n = 2; taken.has(id); n++) id = `${wanted}-${n}`
    taken.add(id)
    return id
  }
  const spars = plain.spars
    .filter(spar => spar.surface === 'wing')
    .map(spar => ({
      ...spar,
      id: free(`${spar.id}-second`.slice(0, 60)),
      name: `${spar.name}, second wing`.slice(0, 100),
      surface: 'second' as const,
    }))
  const span = wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  return {
    ...plain,
    second,
    cuts: { ...doc.cuts, second: doc.cuts.wing },
    spars: [...plain.spars, ...spars].slice(0, MOST_SPARS),
    struts: [...plain.struts, ...(place === 'behind' ? [] : strutsFor(place, span, under, second))].slice(
      0,
      MOST_STRUTS,
    ),
  }
}

function strutsFor(
  place: SecondPlace,
  spanMm: number,
  body: ReturnType<typeof bodyAt>,
  { rootChordMm, xMm, yMm }: Surface,
): Strut[] {
  const both = { stock: 2 * spanMm < THICK_FROM ? THIN : THICK, pair: true, fittingG: FITTING_G }
  const y = body ? half(0.32 * body.wide) : 0
  const inner: Strut[] =
    place === 'over' && body && y > 1
      ? [0.2, 0.6].map((share, i) => ({
          ...both,
          id: i ? 'cabane-rear' : 'cabane-front',
          name: i ? 'Rear cabane strut' : 'Front cabane strut',
          from: {
            on: 'body',
            xMm: half(xMm + share * rootChordMm),
            yMm: y,
            zMm: half(body.top - 6),
          },
          to: { on: 'second', alongMm: Math.max(0, y - yMm), share },
        }))
      : []
  return [
    ...inner,
    ...[0.2, 0.6].map((share, i): Strut => ({
      ...both,
      id: i ? 'interplane-rear' : 'interplane-front',
      name: i ? 'Rear interplane strut' : 'Front interplane strut',
      from: { on: 'wing', alongMm: half(OUT * spanMm), share },
      to: { on: 'second', alongMm: half(OUT * spanMm), share },
    })),
  ]
}

/** Its spars, its cuts and the struts on it go with it; what lay in its bays stays where it is. */
function withoutSecond(doc: Winged): Turned {
  return {
    second: null,
    cuts: { ...doc.cuts, second: [] },
    spars: doc.spars.filter(spar => spar.surface !== 'second'),
    struts: doc.struts.filter(strut => strut.from.on !== 'second' && strut.to.on !== 'second'),
    equipment: doc.equipment.map(item =>
      item.pocket?.surface === 'second' ? { ...item, pocket: null } : item,
    ),
  }
}
