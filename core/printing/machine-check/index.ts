export { readMachineFile, MAX_MACHINE_BYTES, type ReadFile, type FilePiece, type Source } from './read-file'
export { comparePiece, identify, type CheckRow, type DifferenceCode, type PieceCheck } from './compare'
export type { WantedPiece } from './wanted'
