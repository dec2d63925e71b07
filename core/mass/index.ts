export { sumMass, massSpread, placeForBalance, ballastFor, type MassEntry, type MassSum } from './ledger'
