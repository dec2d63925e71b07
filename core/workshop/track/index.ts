export { readTrack, type TrackReading, type TrackRow } from './compared'
export {
  guessMapping,
  MAX_RECORDING,
  MEANINGS,
  readRecording,
  type Mapping,
  type Meaning,
  type Recording,
} from './recording'
export { toTrack } from './to-track'
