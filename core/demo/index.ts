import type { ProjectFile } from '../document'
import { PLOVER } from './plover'
import { THISTLEDOWN } from './thistledown'

/** The demo projects, as shipped; the first one opens. */
export const DEMOS: readonly ProjectFile[] = [THISTLEDOWN, PLOVER]
