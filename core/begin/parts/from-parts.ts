/**
 * An aircraft that is only what was downloaded: its parts as they came, in their places, with wing, tail and body
 * drawn by what was measured on them, so that weights, hours, balance, flight and checks are reckoned as for any other.
 */
import { DocumentError, type Given, type ProjectFile, type Surface, type Zone } from '../../document'
import { packMesh, unpackMesh } from '../../geometry'
import { LIBRARIES, recipeById } from '../../libraries'
import { degToRad, q, radToDeg, say, type Words } from '../../units'
import { emptyProject } from '../empty'
import { measureBody } from './measure-body'
import { measureSurface, type MeasuredSection, type MeasuredSurface } from './measure-surface'
import { byName, type PartFile, type PartRole } from './sort-parts'

export interface SortedPart extends PartFile {
  role: PartRole
}
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
/** A document has room for so many. */
const MOST = 60

const limited = (value: number, low: number, high: number, step: number): number =>
  Math.min(high, Math.max(low, Math.round(value / step) * step))
const tenth = (value: number): number => Math.round(10 * value) / 10

/**
 * Throws `DocumentError` where no part of a wing is among them or one that should be is none. Halves are starboard's
 * and mirrored; a port part whose starboard one is there too is that one.
 */
export function fromParts(name: string, parts: readonly SortedPart[]): FromParts {
  if (parts.length > MOST)
    throw new DocumentError('', `${parts.length} parts; at most ${MOST} in one project`)
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
        horizontal,
        vertical,
      },
      body:
        stations.length >= 2
          ? { stations: rising(stations), firewall: null, openings: [], saddle: null }
          : null,
      given,
      printers: empty.printers,
    },
    said,
  }
}

const middleChord = ({ sections }: HalfPart): number => sections[7].chord

const zoneOf = (role: PartRole): Zone => ({
  id: role,
  name: ZONES[role],
  ribs: null,
  filament: FILAMENT,
  recipe: {
    ...recipeById(
      'beads',
      LIBRARIES.filaments.find(item => item.id === FILAMENT),
    ),
    walls: WALLS[role],
  },
})

const meshOf = ({ name, mesh }: PartFile) => {
  const read = unpackMesh(mesh)
  if (!read) throw new DocumentError(name, 'is no mesh that can be read')
  return read
}

/** Parts of a starboard half, from the root outwards. */
interface HalfPart extends MeasuredSurface {
  name: string
}

function halfOf(parts: readonly SortedPart[], said: Words[]): HalfPart[] {
  const found = parts.map((item): HalfPart => {
    const own = measureSurface(meshOf(item))
    if (!own)
      throw new DocumentError(item.name, 'has no sections of a wing or tail: take it for something else')
    return { ...own, name: item.name }
  })
  const half: HalfPart[] = [],
    paired = new Set<HalfPart>()
  for (const own of found) {
    const twin = half.find(item => !paired.has(item) && alike(item, own))
    if (twin) {
      paired.add(twin)
      said.push(say`${own.name} is the other side of ${twin.name}`)
    } else half.push(own)
  }
  half.sort((a, b) => thicknessOf(b) - thicknessOf(a) || byName(a, b))
  // Several parts are halves, however alike the ends of one may be.
  return half.length > 1 || paired.size ? half.map(item => ({ ...item, whole: false })) : half
}
const near = (a: number, b: number) => Math.abs(a - b) <= 0.01 * Math.max(Math.abs(a), Math.abs(b)) + 0.2
/** One is the mirror image of the other, as far as sections tell. */
const alike = (a: HalfPart, b: HalfPart): boolean =>
  a.side !== (b.side || 2) &&
  near(a.height, b.height) &&
  [0, 7, 14].every(
    i =>
      near(a.sections[i].thickness, b.sections[i].thickness) &&
      near(a.sections[i].chord, b.sections[i].chord),
  )
/** The thicker end is the root; parts that are as thick as each other go by their names. */
const thicknessOf = ({ sections }: HalfPart): number => Math.round(5 * sections[2].thickness) / 5

/** What a half is from place to place, and each of its parts from end to end. */
interface Measured {
  /** Chord that a part's own sections come to at a height of it. */
  chordOf(part: HalfPart, z: number): number
  /** By how much a part's whole sections turn from one of its ends to the other, rad; files say nothing across joints. */
  twistOf(part: HalfPart): number
  /** Nose of a part's own sections in its mesh, carried in a straight line to a height. */
  noseOf(part: HalfPart, z: number): [x: number, y: number]
  sectionNear(s: number): MeasuredSection
}

/** Sections this far under what their part's taper would have are the rounding of its tip. */
const ROUNDING = 0.06

/**
 * A section that a control is cut out of is as long as its thickness says, by the nearest one that is whole: makers
 * keep one section along a part, or nearly.
 */
function measuredHalf(half: readonly HalfPart[]): Measured {
  let out = 0
  const sound = (own: HalfPart): MeasuredSection[] => {
    const taper = own.sections.map((item): [number, number] => [item.z, item.thickness])
    return own.sections.filter(item => item.thickness > (1 - ROUNDING) * straight(taper, item.z))
  }
  const all = half.flatMap(own => {
    const from = out
    out += spanOf(own)
    const bottom = own.whole ? own.height / 2 : 0
    return sound(own)
      .filter(section => section.z >= bottom)
      .map(section => ({ own, section, s: from + section.z - bottom }))
  })
  const full = all.filter(item => item.section.full)
  const told = full.length ? full : all
  const nearest = (s: number) =>
    told.reduce((a, b) => (Math.abs(b.s - s) < Math.abs(a.s - s) ? b : a)).section
  const chords = new Map(
    half.map(own => [
      own,
      all
        .filter(item => item.own === own)
        .map(({ section, s }): [number, number] => {
          const whole = nearest(s)
          const chord = section.full ? section.chord : (section.thickness * whole.chord) / whole.thickness
          return [section.z, full.length ? chord : section.chord]
        }),
    ]),
  )
  return {
    chordOf: (own, z) => straight(chords.get(own)!, z),
    twistOf: own => {
      const angles = full
        .filter(item => item.own === own)
        .map(({ section }): [number, number] => [section.z, section.angle])
      const span = spanOf(own)
      return angles.length > 1 && angles[angles.length - 1][0] - angles[0][0] > 0.3 * span
        ? straight(angles, own.height) - straight(angles, own.height - span)
        : 0
    },
    noseOf: (own, z) =>
      [0, 1].map(k =>
        straight(
          own.sections.map(item => [item.z, item.nose[k]]),
          z,
        ),
      ) as [number, number],
    sectionNear: nearest,
  }
}
const spanOf = ({ whole, height }: HalfPart): number => (whole ? height / 2 : height)

/** The line of the middle slope through the middle of points (Theil and Sen), at a place. */
function straight(points: ReadonlyArray<readonly [number, number]>, at: number): number {
  const middle = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]
  const slope = middle(points.flatMap(([x, y], i) => points.slice(i + 1).map(([u, v]) => (v - y) / (u - x))))
  return middle(points.map(([x, y]) => y - slope * x)) + slope * at
}

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
    name: name.slice(0, 120),
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
