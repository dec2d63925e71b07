/**
 * An aircraft that is only what was downloaded: its parts as they came, in their places, with wing, tail and body
 * drawn by what was measured on them, so that weights, hours, balance, flight and checks are reckoned as for any other.
 */
import { DocumentError, type Given, type ProjectFile, type Surface, type Zone } from '../../document'
import { packMesh } from '../../geometry'
import { LIBRARIES, recipeById } from '../../libraries'
import { degToRad, q, radToDeg, say, type Words } from '../../units'
import { emptyProject } from '../empty'
import { measureBody } from './measure-body'
import { halfOf, measuredHalf, meshOf, spanOf, type HalfPart } from './half'
import { byName, type PartRole, type SortedPart } from './sort-parts'

export interface FromParts {
  project: ProjectFile
  /** What was found, and what was taken for granted. */
  said: Words[]
}

/** Parts as makers print them who were told no better: solid filament, so that nothing comes out heavier. */
const FILAMENT = 'pla'
const WALLS: Readonly<Record<PartRole, number>> = { wing: 1, horizontal: 1, vertical: 1, body: 2, other: 2 }
const ZONES: Readonly<Record<PartRole, string>> = {
  wing: 'Wing',
  horizontal: 'Tailplane',
  vertical: 'Fin',
  body: 'Body',
  other: 'Other parts',
}
const ROLES = Object.keys(ZONES) as PartRole[]

const limited = (value: number, low: number, high: number, step: number): number =>
  Math.min(high, Math.max(low, Math.round(value / step) * step))
const tenth = (value: number): number => Math.round(10 * value) / 10

/**
 * Throws `DocumentError` where no part of a wing is among them or one that should be is none. Halves are starboard's
 * and mirrored; a port part whose starboard one is there too is that one.
 */
export function fromParts(name: string, parts: readonly SortedPart[]): FromParts {
  const said: Words[] = []
  const of = (role: PartRole) => parts.filter(part => part.role === role).sort(byName)
  const wing = halfOf(of('wing'), said)
  if (!wing.length)
    throw new DocumentError('', 'none of them is a part of a wing: say which, balance is reckoned from it')
  const empty = emptyProject()
  const bodies = of('body')
  const measured = measureBody(bodies.map(part => meshOf(part)))
  const bodyLength = measured.reduce((sum, { length }) => sum + length, 0)
  const aerofoils: ProjectFile['aerofoils'] = []
  const given: Given[] = []
  const surface = (role: 'wing' | 'horizontal' | 'vertical', half: HalfPart[], xMm: number, zMm: number) => {
    const drawn = drawSurface(role, half, xMm, zMm, aerofoils)
    given.push(...placed(role, half, drawn, given.length))
    return drawn
  }
  // A wing where most are: its nose at three tenths of the body. The maker moves it to where it is.
  const wingX = tenth(0.3 * bodyLength)
  const drawnWing = surface('wing', wing, wingX, 0)
  const behind = (root: number) =>
    tenth(
      bodyLength > 0
        ? Math.max(wingX + drawnWing.rootChordMm, bodyLength - root)
        : wingX + 3 * drawnWing.rootChordMm,
    )
  const tail = halfOf(of('horizontal'), said),
    fin = halfOf(of('vertical'), said)
  const horizontal = tail.length ? surface('horizontal', tail, behind(middleChord(tail[0])), 0) : null
  const vertical = fin.length ? surface('vertical', fin, behind(middleChord(fin[0])), 0) : null
  let front = 0,
    end = 0
  const stations: NonNullable<ProjectFile['body']>['stations'] = []
  measured.forEach(({ mesh, length, slices }, i) => {
    const packed = packMesh(mesh)
    const box = boxOf(mesh)
    // Where it meets the one before, both have the same middle.
    const up = i === 0 ? 0 : end - (slices[0].y - box.y)
    end = up + slices[slices.length - 1].y - box.y
    for (const slice of slices)
      stations.push({
        xMm: tenth(front + slice.z),
        widthMm: limited(slice.width, 2, 600, 0.1),
        heightMm: limited(slice.height, 2, 600, 0.1),
        zMm: tenth(up + slice.y - box.y),
        squareness: 0.3,
        zone: 'body',
      })
    given.push(part(bodies[i].name, 'body', packed, 'length', front + length / 2, 0, up, false, given.length))
    front += length
  })
  for (const other of of('other'))
    given.push(part(other.name, 'other', other.mesh, 'fin', wingX, 0, 0, false, given.length))
  const others = of('other').length
  if (others)
    said.push(
      say`${q(others, '', 0)} other ${others === 1 ? 'part lies' : 'parts lie'} at the wing's nose: put ${others === 1 ? 'it where it belongs' : 'them where they belong'} at Split; until then ${others === 1 ? 'it moves' : 'they move'} the balance`,
    )
  said.push(
    say`${tail.length ? 'Wing and tail stand' : 'The wing stands'} where most do, the wing's nose ${q(wingX, 'mm', 0)} aft of the body's: move ${tail.length ? 'them' : 'it'} to where your plan says`,
    'Targets are those of an empty bench: set your own at Brief',
    'Twist is read within a part; files say nothing of twist from one to the next',
    say`No file tells how it is to be sliced: one bead for wing and tail, two for the rest, in ${FILAMENT.toUpperCase()}`,
  )
  const zones = ROLES.filter(role => given.some(item => item.zone === role)).map(zoneOf)
  return {
    project: {
      ...empty,
      name: name.slice(0, 100) || 'From part files',
      aerofoils,
      zones: zones.some(zone => zone.id === 'body') || !stations.length ? zones : [...zones, zoneOf('body')],
      wing: drawnWing,
      tail: {
        kind: horizontal ? 'conventional' : 'none',
        screws: 0,
        slots: false,
        horizontal,
        vertical,
      },
      body:
        stations.length >= 2
          ? { stations: rising(stations), firewall: null, openings: [], saddle: null }
          : null,
      given,
    },
    said,
  }
}

const middleChord = ({ sections }: HalfPart): number => sections[7].chord

const zoneOf = (role: PartRole): Zone => ({
  id: role,
  name: ZONES[role],
  ribs: null,
  sheet: null,
  filament: FILAMENT,
  recipe: {
    ...recipeById(
      'beads',
      LIBRARIES.filaments.find(item => item.id === FILAMENT),
    ),
    walls: WALLS[role],
  },
})

/** One panel a part. A single one from tip to tip is drawn as two halves. */
function drawSurface(
  role: 'wing' | 'horizontal' | 'vertical',
  half: readonly HalfPart[],
  xMm: number,
  zMm: number,
  aerofoils: ProjectFile['aerofoils'],
): Surface {
  const found = measuredHalf(half)
  const named = (s: number, place: number): string => {
    const id = `${role}-section-${place}`
    aerofoils.push({ id, name: `${ZONES[role]}, section ${place}`, points: found.sectionNear(s).outline })
    return id
  }
  const rootAerofoil = named(0, 0)
  const upright = role === 'vertical'
  let out = 0,
    twist = 0
  return {
    xMm,
    yMm: 0,
    zMm,
    incidenceDeg: 0,
    cantDeg: upright ? 90 : 0,
    mirror: !upright,
    rootChordMm: limited(found.chordOf(half[0], half[0].height - spanOf(half[0])), 10, 1200, 0.1),
    rootAerofoil,
    twistAxisShare: 0,
    tip: { kind: 'flat', lengthMm: 1 },
    panels: half.map((own, i) => {
      const span = spanOf(own)
      out += span
      twist += found.twistOf(own)
      const [root, tip] = [found.noseOf(own, own.height - span), found.noseOf(own, own.height)]
      const ends = [
        found.chordOf(own, own.height),
        ...half.slice(i + 1, i + 2).map(next => found.chordOf(next, 0)),
      ]
      return {
        spanMm: limited(span, 10, 3000, 0.1),
        tipChordMm: limited(
          ends.reduce((sum, chord) => sum + chord / ends.length, 0),
          10,
          1200,
          0.1,
        ),
        sweepMm: limited(tip[0] - root[0], -600, 1200, 0.1),
        dihedralDeg: upright ? 0 : limited(radToDeg(Math.atan2(root[1] - tip[1], span)), -30, 80, 0.1),
        tipTwistDeg: limited(radToDeg(twist), -15, 15, 0.1),
        tipAerofoil: named(out, i + 1),
        zone: role,
      }
    }),
    controls: [],
  }
}

/** Each where its nose lies on the drawn leading edge. */
function placed(
  role: 'wing' | 'horizontal' | 'vertical',
  half: readonly HalfPart[],
  surface: Surface,
  count: number,
): Given[] {
  const found = measuredHalf(half)
  let lead = surface.xMm,
    out = 0,
    up = surface.zMm
  return half.map((own, i) => {
    const box = boxOf(own.mesh)
    const nose = found.noseOf(own, own.height - spanOf(own))
    const x = lead + box.x - nose[0]
    const packed = packMesh(own.mesh)
    const panel = surface.panels[i]
    const made =
      role === 'vertical'
        ? part(own.name, role, packed, 'fin', x, 0, out + own.height / 2 + up, false, count + i)
        : part(
            own.name,
            role,
            packed,
            'span',
            x,
            own.whole ? 0 : out + own.height / 2,
            up + nose[1] - box.y,
            !own.whole,
            count + i,
          )
    lead += panel.sweepMm
    out += own.height
    up += Math.tan(degToRad(panel.dihedralDeg)) * panel.spanMm
    return made
  })
}

function part(
  name: string,
  role: PartRole,
  mesh: string,
  lies: Given['lies'],
  xMm: number,
  yMm: number,
  zMm: number,
  pair: boolean,
  index: number,
): Given {
  return {
    id: `given-${index + 1}`,
    name: pair ? sideless(name) : name.slice(0, 120),
    zone: role,
    mesh,
    standsFor: role === 'other' ? 'nothing' : role,
    lies,
    xMm: tenth(xMm),
    yMm: tenth(yMm),
    zMm: tenth(zMm),
    turnDeg: 0,
    pair,
  }
}

/** The name of one of a pair: both sides are told apart by what is put behind it. */
const sideless = (name: string): string =>
  name.replace(/(^|[ _-]+)(starboard|port|left|right)(?=$|[ _.-])/i, '').slice(0, 120) || name.slice(0, 120)

/** Middle of a mesh's box. */
function boxOf({ positions }: { positions: Float32Array }): { x: number; y: number } {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity]
  for (let i = 0; i < positions.length; i += 3) {
    x0 = Math.min(x0, positions[i])
    x1 = Math.max(x1, positions[i])
    y0 = Math.min(y0, positions[i + 1])
    y1 = Math.max(y1, positions[i + 1])
  }
  return { x: (x0 + x1) / 2, y: (y0 + y1) / 2 }
}

/** Stations in their order, each at least a millimetre behind the one before; forty at most. */
function rising<T extends { xMm: number }>(stations: readonly T[]): T[] {
  const kept: T[] = []
  const every = Math.ceil(stations.length / 40)
  stations.forEach((station, i) => {
    if (i % every !== 0 && i !== stations.length - 1) return
    if (!kept.length || station.xMm >= kept[kept.length - 1].xMm + 1) kept.push(station)
  })
  return kept
}
