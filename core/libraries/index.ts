import { BATTERIES, type Battery } from './batteries'
import { FILAMENTS, type Filament } from './filaments'
import { FILMS, type Film } from './films'
import { FOAMS, type Foam } from './foams'
import { CONTROLLERS, MOTORS, type ControllerOnShelf, type MotorOnShelf } from './motors'
import { FANS, PROPELLERS, type FanOnShelf, type PropellerOnShelf } from './propellers'
import { SCHOOLS } from './schools'
import { RECEIVERS, SERVOS, type ReceiverOnShelf, type ServoOnShelf } from './servos'
import { SMALL_THINGS, type SmallThing } from './small-things'
import { STOCK, type Stock } from './stock'

export type { Battery } from './batteries'
export type { ControllerOnShelf, MotorOnShelf } from './motors'
export type { FanOnShelf, PropellerOnShelf } from './propellers'
export type { Filament } from './filaments'
export { filmOr, USUAL_RIBS, type Film } from './films'
export { asMaterial, foamOr, USUAL_SHEET, type Foam } from './foams'
export type { ReceiverOnShelf, ServoOnShelf } from './servos'
export {
  stockArea,
  stockInertia,
  stockInertiaAcross,
  stockLinearMass,
  stockTorsion,
  type Stock,
} from './stock'
export { expansionAt, recipeById, recipeFor, USUAL_DENSER, USUAL_PRINTED_SPAR, type School } from './schools'

export interface Libraries {
  filaments: readonly Filament[]
  films: readonly Film[]
  foams: readonly Foam[]
  stock: readonly Stock[]
  schools: typeof SCHOOLS
  batteries: readonly Battery[]
  motors: readonly MotorOnShelf[]
  controllers: readonly ControllerOnShelf[]
  propellers: readonly PropellerOnShelf[]
  fans: readonly FanOnShelf[]
  servos: readonly ServoOnShelf[]
  receivers: readonly ReceiverOnShelf[]
  smallThings: readonly SmallThing[]
}
/** What ships with the application. */
export const LIBRARIES: Libraries = {
  filaments: FILAMENTS,
  films: FILMS,
  foams: FOAMS,
  stock: STOCK,
  schools: SCHOOLS,
  batteries: BATTERIES,
  motors: MOTORS,
  controllers: CONTROLLERS,
  propellers: PROPELLERS,
  fans: FANS,
  servos: SERVOS,
  receivers: RECEIVERS,
  smallThings: SMALL_THINGS,
}
export { BOLTS, nearestBolt } from './bolts'

/** Stock by its id; the first of the shelf stands in for one that is unknown, and a finding names it. */
export const stockOr = (libraries: Pick<Libraries, 'stock'>, id: string): Stock =>
  libraries.stock.find(stock => stock.id === id) ?? libraries.stock[0]
export { GLUES, glueOf, type Glue } from './glues'
