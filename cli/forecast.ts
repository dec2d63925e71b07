import { assess } from '../core/assess'
import { readProject } from '../core/document'
import type { Arguments } from './answer'

/** What the aircraft will weigh, from what its weighings teach. */
export function forecastVerb({ read }: Arguments): unknown {
  return assess(readProject(read())).forecast
}
