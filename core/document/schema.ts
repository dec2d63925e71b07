/**
 * The project file, version 4: what the maker wrote, in mm, g and °.
 * Axes: x aft from the nose datum, y to starboard, z up. Everything derived is computed by `assess`.
 */
import { z } from 'zod'
import { LIMITS, type LimitName } from './limits'

const figure = (limit: LimitName, what: string) => {
  const [low, high] = LIMITS[limit]
  return z.number().min(low).max(high).describe(what)
}
const id = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[A-Za-z0-9_.-]+$/, 'letters, digits, dot, dash and underscore only')
const name = z.string().min(1).max(200)
const text = z.string().max(4000)
const date = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'a date as YYYY-MM-DD')

export const Brief = z.strictObject({
  targetMassG: figure('massG', 'flying weight with payload that the design aims at, g'),
  staticMarginPct: z
    .tuple([z.number().min(-20).max(60), z.number().min(-20).max(60)])
    .describe('least and greatest static margin, % of the mean aerodynamic chord'),
  loadFactor: figure('loadFactor', 'pull-up load factor the wing must bear before the factor of safety'),
  safetyFactor: z.number().min(1).max(4).describe('factor of safety on top of the load factor'),
  printHours: figure('hours', 'hours of printing, all printers added'),
  stallMaxMs: figure('speedMs', 'slowest level speed wanted, m/s'),
  cruiseMs: figure('speedMs', 'cruise speed, m/s'),
  spanMaxMm: figure('spanMm', 'greatest span that may be built, mm'),
  currency: z.string().min(1).max(5).describe('sign or code that prices are in'),
  launch: z.enum(['hand', 'bungee', 'wheels']),
  landing: z.enum(['belly', 'wheels', 'net']),
  topSpeedMs: figure('speedMs', 'fastest it will be flown, dives included, m/s'),
  gustMs: z
    .number()
    .min(0)
    .max(20)
    .describe('strongest gust up or down that it must bear at cruise; half of it at top speed, m/s'),
  throwMs: z.number().min(0).max(30).describe('speed at which a hand throw lets go, m/s'),
  bungeeN: z.number().min(0).max(2000).describe('pull of the bungee at its strongest, N'),
  dropMm: z.number().min(0).max(3000).describe('landings must be borne like a drop from this height, mm'),
  colour: z
    .enum(['white', 'bright', 'dark', 'black'])
    .describe('colour of the skin: how much of the sun it takes up'),
  windMaxMs: z
    .number()
    .min(0)
    .max(30)
    .describe("strongest wind for a first flight, m/s: the maker's own limit"),
  fieldElevationM: figure('elevationM', 'elevation of the field, m'),
  fieldTemperatureC: figure('temperatureC', 'air temperature at the field, °C'),
})

export const Aerofoil = z.strictObject({
  id,
  name,
  points: z
    .array(z.tuple([z.number().min(-0.5).max(1.5), z.number().min(-1).max(1)]))
    .min(7)
    .max(2000)
    .describe(
      'x, y of the outline as a share of the chord, from the trailing edge over the top to the nose and back',
    ),
})

const aerofoilRef = z
  .string()
  .min(4)
  .max(60)
  .describe('naca0012-style name, or the id of an aerofoil of this file')

export const Panel = z.strictObject({
  spanMm: figure('spanMm', 'span of this panel, mm'),
  tipChordMm: figure('chordMm', 'chord at its outer end, mm'),
  sweepMm: figure('sweepMm', 'how far its outer leading edge lies behind its inner one, mm'),
  dihedralDeg: figure('dihedralDeg', 'dihedral, °'),
  tipTwistDeg: figure(
    'twistDeg',
    'twist of the outer section against the root, ° (nose up positive; washout is negative)',
  ),
  tipAerofoil: aerofoilRef,
  zone: id,
})

export const Hinge = z.strictObject({
  kind: z
    .enum(['bought-strip', 'printed-strip', 'pins', 'tape'])
    .describe('strips and pins get slots in both faces; tape hinges along the top skin'),
  count: z.number().int().min(1).max(12),
  gapMm: z.number().min(0.1).max(5).describe('gap between wing and control surface, mm'),
})

export const Linkage = z.strictObject({
  servo: id.nullable().describe('the component that moves it'),
  armMm: z.number().min(2).max(60).describe("from the servo's axis to the rod, mm"),
  hornMm: z.number().min(2).max(80).describe('from the hinge line to the rod, mm'),
})

export const Control = z.strictObject({
  name,
  kind: z.enum(['aileron', 'elevator', 'rudder', 'elevon', 'ruddervator', 'flap']),
  fromShare: figure('share', 'inner end, share of the half span'),
  toShare: figure('share', 'outer end, share of the half span'),
  chordShare: figure('share', 'share of the chord behind the hinge; 1 is all-moving'),
  throwUpDeg: z.number().min(0).max(60),
  throwDownDeg: z.number().min(0).max(60),
  hinge: Hinge,
  linkage: Linkage.nullable().describe('rod from servo to horn; null where none is set'),
})

export const Tip = z.strictObject({
  kind: z
    .enum(['flat', 'rounded', 'faired'])
    .describe('rounded: the thickness runs out in a quarter ellipse; faired: the chord too'),
  lengthMm: z.number().min(1).max(300).describe('how far in from the end it begins, mm'),
})

export const Surface = z.strictObject({
  xMm: figure('positionMm', 'leading edge of the root, aft of the nose, mm'),
  yMm: z.number().min(0).max(1000).describe('distance of the root from the plane of symmetry, mm'),
  zMm: figure('positionMm', 'height of the root, mm'),
  incidenceDeg: figure('incidenceDeg', 'incidence of the root, °'),
  cantDeg: z
    .number()
    .min(-90)
    .max(90)
    .describe('angle of the span from the horizontal: 0 a wing, 90 a fin, between a V-tail'),
  mirror: z.boolean().describe('whether the port half is there too'),
  rootChordMm: figure('chordMm', 'root chord, mm'),
  rootAerofoil: aerofoilRef,
  twistAxisShare: figure('share', 'share of the chord about which sections are twisted'),
  panels: z.array(Panel).min(1).max(12),
  tip: Tip,
  controls: z.array(Control).max(8),
})

export const Tail = z.strictObject({
  kind: z.enum(['conventional', 'T', 'V', 'all-moving', 'canard', 'none']),
  horizontal: Surface.nullable().describe('tailplane, V-tail, or the canard ahead of the wing'),
  vertical: Surface.nullable().describe('fin; two of them where mirror is set'),
})

export const BodyStation = z.strictObject({
  xMm: figure('positionMm', 'place, mm'),
  widthMm: figure('bodySizeMm', 'width, mm'),
  heightMm: figure('bodySizeMm', 'height, mm'),
  zMm: figure('positionMm', 'height of its middle, mm'),
  squareness: z.number().min(0).max(1).describe('0 an ellipse, 1 nearly a rectangle'),
  zone: id.describe('zone from here to the next station'),
})

export const Firewall = z.strictObject({
  thicknessMm: z.number().min(0.5).max(40),
  bolts: z.number().int().min(0).max(8),
  boltCircleMm: z.number().min(2).max(200).describe('diameter of the circle of bolts, mm'),
  boltMm: z.number().min(1).max(10).describe('diameter of a bolt hole, mm'),
  shaftMm: z.number().min(0).max(60).describe('diameter of the hole in the middle, mm; 0 for none'),
})
export const Opening = z.strictObject({
  id,
  name,
  side: z.enum(['top', 'bottom', 'starboard', 'port']),
  fromMm: figure('positionMm', 'front edge, mm'),
  toMm: figure('positionMm', 'rear edge, mm'),
  widthMm: figure('bodySizeMm', 'width, mm'),
})
export const Saddle = z.strictObject({
  clearanceMm: z.number().min(0).max(5).describe('gap between wing and body, mm'),
  bolts: z.number().int().min(0).max(4).describe('bolts that hold the wing'),
  boltMm: z.number().min(1.5).max(12).describe('nominal diameter of those bolts, mm'),
})

export const Body = z.strictObject({
  stations: z.array(BodyStation).min(2).max(40),
  firewall: Firewall.nullable().describe('closed front end'),
  openings: z.array(Opening).max(12),
  saddle: Saddle.nullable().describe("the wing's seat, cut out of the body"),
})

export const Boom = z.strictObject({
  stock: id,
  fromMm: figure('positionMm', 'front end, mm'),
  toMm: figure('positionMm', 'rear end, mm'),
  zMm: figure('positionMm', 'height, mm'),
  socketMm: z
    .number()
    .min(0)
    .max(300)
    .describe('length of the ribbed collar that holds it at the rear of the body, mm'),
})

export const Lattice = z.strictObject({
  pitchMm: figure('pitchMm', 'distance between neighbouring webs, mm'),
  passes: z.number().int().min(1).max(2),
})

export const Recipe = z.strictObject({
  school: z.enum(['spiral-lattice', 'bead-infill', 'double-skin', 'beads', 'solid']),
  walls: z.number().int().min(1).max(8),
  beadWidthMm: figure('beadWidthMm', 'width of a bead, mm'),
  layerHeightMm: figure('layerHeightMm', 'layer height, mm'),
  infillShare: figure('share', 'infill inside the innermost wall, share'),
  baseLayers: z.number().int().min(0).max(40),
  topLayers: z.number().int().min(0).max(40),
  flow: figure('flow', 'flow multiplier; about 1/expansion for foaming filament'),
  nozzleC: figure('nozzleC', 'nozzle temperature, °C'),
  spiral: z.boolean(),
  lattice: Lattice.nullable(),
  skinGapMm: z
    .number()
    .min(0.5)
    .max(20)
    .nullable()
    .describe('double skin: distance between the middles of the two beads, mm'),
  brimMm: z.number().min(0).max(20).describe('width of a one-layer brim round the foot, mm'),
  stance: z
    .enum(['standing', 'flat'])
    .describe(
      'how pieces of a lifting surface lie on the bed: on their end, with layers across the span, or on their side, with layers along it',
    ),
  infillPattern: z
    .enum(['lines', 'grid', 'triangles'])
    .describe('lines: one way a layer, ±45° in turn; grid: both ways in every layer; triangles: three ways'),
})

export const Zone = z.strictObject({ id, name, filament: id, recipe: Recipe })

export const Spar = z.strictObject({
  id,
  name,
  stock: id,
  surface: z.enum(['wing', 'horizontal', 'vertical']),
  fromMm: z.number().min(0).max(3000).describe('inner end along the span from the root, mm'),
  toMm: z.number().min(0).max(3000).describe('outer end, mm'),
  rootShare: figure('share', 'place along the chord at its inner end'),
  tipShare: figure('share', 'place along the chord at its outer end'),
  clearanceMm: z.number().min(0).max(3).describe('gap between spar and bore, on the radius, mm'),
  through: z.boolean().describe('one piece through the middle, instead of one a side'),
  fixing: z
    .enum(['bonded', 'removable'])
    .describe('glued in along its length, or pushed into its bore, so that the wing comes off it'),
  lay: z
    .enum(['middle', 'caps'])
    .describe(
      "middle: at half the section's height; caps: one under the top skin and one over the bottom skin, with a printed web between",
    ),
  route: z
    .enum(['straight', 'bent'])
    .describe('straight from end to end, or bent to follow every break of the dihedral'),
})

export const Joint = z.strictObject({
  kind: z
    .enum(['butt', 'lip', 'pins', 'tongue', 'bolts'])
    .describe('what aligns and holds the two pieces, glue apart'),
  toleranceMm: z.number().min(0).max(1).describe('gap between the parts that plug into each other, mm'),
})
const cut = (low: number, high: number) =>
  z.strictObject({
    atMm: z.number().min(low).max(high).describe('place along the span or the body, mm'),
    joint: Joint,
  })
export const Cuts = z.strictObject({
  wing: z.array(cut(0, 3000)).max(40),
  horizontal: z.array(cut(0, 3000)).max(20),
  vertical: z.array(cut(0, 3000)).max(20),
  body: z.array(cut(-2000, 4000)).max(40),
})

export const Equipment = z.strictObject({
  id,
  name,
  kind: z.enum([
    'motor',
    'propeller',
    'speed-controller',
    'battery',
    'receiver',
    'servo',
    'payload',
    'gear',
    'sensor',
    'ballast',
    'hardware',
  ]),
  massG: figure('massG', 'mass of one, g'),
  spreadG: z.number().min(0).max(500).describe('one standard deviation, g'),
  xMm: figure('positionMm', 'its middle, mm'),
  yMm: figure('positionMm', 'its middle, mm'),
  zMm: figure('positionMm', 'its middle, mm'),
  sizeMm: z.tuple([figure('sizeMm', 'length'), figure('sizeMm', 'width'), figure('sizeMm', 'height')]),
  pair: z.boolean().describe('a second one to port'),
  bay: z
    .tuple([figure('positionMm', 'front'), figure('positionMm', 'rear')])
    .nullable()
    .describe('how far its ends may slide, mm'),
  drops: z.boolean().describe('payload that leaves in flight'),
  weighed: z.boolean().describe("mass from the maker's own scale"),
  pocket: z
    .strictObject({
      surface: z.enum(['wing', 'horizontal', 'vertical']),
      cableMm: z
        .number()
        .min(0)
        .max(20)
        .describe('diameter of the run for its lead to the root, mm; 0 for none'),
    })
    .nullable()
    .describe('a bay cut for it in a surface, open below'),
  battery: z
    .strictObject({ cells: z.number().int().min(1).max(14), capacityMah: z.number().min(20).max(50000) })
    .nullable()
    .describe('what a battery holds'),
  servo: z
    .strictObject({
      torqueNcm: z.number().min(0.1).max(2000).describe('torque at the voltage used, N·cm'),
      travelDeg: z.number().min(5).max(120).describe('travel each way, °'),
    })
    .nullable()
    .describe('what a servo can do'),
})

export const Leg = z.strictObject({
  id,
  name,
  kind: z
    .enum(['wire', 'printed', 'sprung'])
    .describe('wire: bends along its length; printed: a flat leg; sprung: a rigid leg on a spring'),
  xMm: figure('positionMm', 'mount, mm'),
  yMm: z.number().min(0).max(1500).describe('mount, mm from the plane of symmetry'),
  zMm: figure('positionMm', 'mount, mm'),
  dropMm: z.number().min(5).max(600).describe('how far the axle lies under the mount, mm'),
  splayMm: z.number().min(0).max(600).describe('how far the axle lies outboard of the mount, mm'),
  thicknessMm: z
    .number()
    .min(0.5)
    .max(40)
    .describe('diameter of the wire, or thickness of a printed leg, mm'),
  widthMm: z.number().min(0.5).max(120).describe('width of a printed leg, mm'),
  zone: id.describe('zone whose filament a printed leg and the mount are of'),
  springNmm: z.number().min(0.01).max(500).describe('rate of a sprung leg, N/mm'),
  travelMm: z.number().min(0.5).max(200).describe('travel of a sprung leg to its stop, mm'),
  wheelMm: z.number().min(0).max(300).describe('diameter of the wheel, mm; 0 for a skid'),
  tyreMm: z.number().min(0).max(60).describe('how far the tyre can be squashed, mm'),
  wheelG: figure('massG', 'mass of wheel and axle, g'),
  pair: z.boolean().describe('a second one to port'),
  mount: z.strictObject({
    lengthMm: z.number().min(2).max(200).describe("bearing along the leg's plane, mm"),
    widthMm: z.number().min(1).max(200).describe('bearing across it, mm'),
    depthMm: z.number().min(0.5).max(60).describe('plastic round it, mm'),
  }),
})

export const Proof = z.strictObject({
  id,
  kind: z
    .enum(['trestles', 'root', 'twist', 'drop'])
    .describe(
      'trestles: held up under both wings and loaded in the middle; root: held at the root and loaded outboard; twist: turned at a place; drop: let fall on its wheels or belly',
    ),
  massG: figure('massG', 'mass that was hung on, g; of a drop the mass that fell'),
  atMm: z
    .number()
    .min(0)
    .max(3000)
    .describe('trestle, load or grip, from the root along the span; height of a drop, mm'),
  armMm: z.number().min(0).max(2000).describe('lever of a twisting mass, mm; 0 otherwise'),
  measured: z
    .number()
    .min(0)
    .max(5000)
    .nullable()
    .describe('deflection or travel in mm, twist in °; null until it is measured'),
  date,
  note: text,
})

export const WingSet = z.strictObject({
  id,
  name,
  wing: Surface,
  spars: z.array(Spar).max(24),
  cuts: z.array(cut(0, 3000)).max(40),
})

export const MeasuredPolar = z.strictObject({
  aerofoil: aerofoilRef,
  source: text.describe('where it was measured'),
  reynolds: z.number().min(1000).max(1e8),
  points: z
    .array(
      z.tuple([
        z.number().min(-90).max(90),
        z.number().min(-5).max(5),
        z.number().min(0).max(5),
        z.number().min(-3).max(3),
      ]),
    )
    .min(3)
    .max(1000)
    .describe('incidence °, cl, cd, cm about the quarter chord; incidence rising'),
})

export const Given = z.strictObject({
  id,
  name,
  zone: id,
  mesh: z
    .string()
    .max(6_000_000)
    .describe('the part itself: triangles in hundredths of a millimetre, deflated, base64'),
  standsFor: z
    .enum(['nothing', 'wing', 'horizontal', 'vertical', 'body'])
    .describe('a designed part that given pieces replace'),
  lies: z
    .enum(['span', 'length', 'fin'])
    .describe('where its build axis points in the aircraft: to starboard, aft, or up'),
  xMm: figure('positionMm', 'middle of its box, mm'),
  yMm: figure('positionMm', 'middle of its box, mm'),
  zMm: figure('positionMm', 'middle of its box, mm'),
  turnDeg: z.number().min(-360).max(360).describe('turn about its build axis, °'),
  pair: z.boolean().describe('a mirrored one to port'),
})

export const Calibration = z.strictObject({
  filament: id,
  nozzleC: figure('nozzleC', 'nozzle temperature of the test piece, °C'),
  expansion: z.number().min(0.8).max(4).describe('solid density over foamed density'),
  date,
})

export const Allowances = z.strictObject({
  glueShare: z.number().min(0).max(0.3).describe('glue as a share of the printed mass'),
  wireShare: z
    .number()
    .min(0)
    .max(0.5)
    .describe('wires and plugs as a share of the electric equipment, battery left out'),
  flowSpreadShare: z
    .number()
    .min(0)
    .max(0.3)
    .describe('one standard deviation of printed mass from flow and filament'),
})

export const Printer = z.strictObject({
  id,
  name,
  bedMm: z.tuple([z.number().min(50).max(1000), z.number().min(50).max(1000), z.number().min(50).max(1500)]),
  wallSpeedMmS: z.number().min(5).max(600),
  infillSpeedMmS: z.number().min(5).max(600),
  travelSpeedMmS: z.number().min(20).max(1000),
  accelMmS2: z.number().min(100).max(50000),
  cornerMmS: z.number().min(0).max(50),
  flowMm3S: z.number().min(1).max(60),
  layerMinS: z.number().min(0).max(60),
  plateOverheadMin: z.number().min(0).max(60),
  retractMm: z.number().min(0).max(20),
  retractMmS: z.number().min(1).max(200),
  nozzleMaxC: z.number().min(180).max(500),
  enclosed: z.boolean(),
})

export const Spool = z.strictObject({
  id,
  filament: id,
  massG: figure('massG', 'filament left, g'),
  pricePerKg: z.number().min(0).max(1000),
})
export const WeighIn = z.strictObject({
  piece: id,
  massG: figure('massG', 'what the scale said, g'),
  predictedG: figure(
    'massG',
    'what it should have weighed as designed then, g; a piece redesigned since counts as not weighed',
  ),
  date,
  note: text,
})
export const Check = z.strictObject({ item: id, date })
export const Measured = z.strictObject({
  massG: figure('massG', 'ready to fly without payload, g').nullable(),
  cgMm: figure('positionMm', 'balance point aft of the nose without payload, mm').nullable(),
  windMs: z.number().min(0).max(40).nullable(),
  thrustG: figure('massG', 'static thrust on the stand, g').nullable(),
  scales: z
    .strictObject({
      foreMm: figure('positionMm', 'front support, mm'),
      foreG: figure('massG', 'reading of the scale under it, g'),
      aftMm: figure('positionMm', 'rear support, mm'),
      aftG: figure('massG', 'reading of the scale under it, g'),
    })
    .nullable()
    .describe('without payload, level, on two scales'),
})
export const Flight = z.strictObject({
  id,
  date,
  minutes: z.number().min(0).max(600),
  windMs: z.number().min(0).max(40),
  elevatorTrimDeg: z.number().min(-30).max(30),
  aileronTrimDeg: z.number().min(-30).max(30),
  usedMah: z.number().min(0).max(50000),
  motorC: z.number().min(-40).max(250),
  behaviour: text,
  broke: text,
  next: text,
})

export const ProjectFile = z.strictObject({
  format: z.literal('mariposa-project'),
  version: z.literal(4),
  id,
  name,
  purpose: text,
  brief: Brief,
  aerofoils: z.array(Aerofoil).max(20),
  wing: Surface,
  tail: Tail,
  body: Body.nullable(),
  boom: Boom.nullable(),
  zones: z.array(Zone).min(1).max(16),
  spars: z.array(Spar).max(24),
  cuts: Cuts,
  equipment: z.array(Equipment).max(80),
  allowances: Allowances,
  printers: z.array(Printer).min(1).max(12),
  spools: z.array(Spool).max(40),
  printerOf: z.record(id, id).describe('which printer a piece is given to'),
  gear: z.array(Leg).max(6),
  proofs: z.array(Proof).max(60),
  given: z.array(Given).max(60),
  wingSets: z.array(WingSet).max(8).describe('other wings for the same body'),
  polars: z.array(MeasuredPolar).max(60),
  calibrations: z.array(Calibration).max(200),
  weighIns: z.array(WeighIn).max(400),
  measured: Measured,
  checks: z.array(Check).max(200),
  flights: z.array(Flight).max(500),
})

export type Brief = z.infer<typeof Brief>
export type Aerofoil = z.infer<typeof Aerofoil>
export type Panel = z.infer<typeof Panel>
export type Control = z.infer<typeof Control>
export type Hinge = z.infer<typeof Hinge>
export type Linkage = z.infer<typeof Linkage>
export type WingSet = z.infer<typeof WingSet>
export type MeasuredPolar = z.infer<typeof MeasuredPolar>
export type Leg = z.infer<typeof Leg>
export type Proof = z.infer<typeof Proof>
export type Tip = z.infer<typeof Tip>
export type Joint = z.infer<typeof Joint>
export type Cut = Cuts['wing'][number]
export type Firewall = z.infer<typeof Firewall>
export type Opening = z.infer<typeof Opening>
export type Saddle = z.infer<typeof Saddle>
export type Given = z.infer<typeof Given>
export type Calibration = z.infer<typeof Calibration>
export type Surface = z.infer<typeof Surface>
export type Tail = z.infer<typeof Tail>
export type BodyStation = z.infer<typeof BodyStation>
export type Body = z.infer<typeof Body>
export type Boom = z.infer<typeof Boom>
export type Recipe = z.infer<typeof Recipe>
export type Zone = z.infer<typeof Zone>
export type Spar = z.infer<typeof Spar>
export type Cuts = z.infer<typeof Cuts>
export type Equipment = z.infer<typeof Equipment>
export type Allowances = z.infer<typeof Allowances>
export type Printer = z.infer<typeof Printer>
export type Spool = z.infer<typeof Spool>
export type WeighIn = z.infer<typeof WeighIn>
export type Measured = z.infer<typeof Measured>
export type Flight = z.infer<typeof Flight>
export type ProjectFile = z.infer<typeof ProjectFile>
/** Which lifting surface of the document. */
export type SurfaceName = Spar['surface']
