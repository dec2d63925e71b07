export { sumMass, massSpread, placeForBalance, ballastFor, type MassEntry, type MassSum } from './ledger'
export * from './inertia'
export * from './chance'
