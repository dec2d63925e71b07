/**
 * What the aircraft is, apart from the book that is kept about it and from what is merely asked of it: all that shapes,
 * prints, weights, flight and strength are computed from. The same object for as long as none of it changes, so that a
 * flight that is noted, a plate that is moved or another target computes nothing anew.
 */
import { narrowed, narrowedList, only } from '../memo'
import type { Brief, Printer, ProjectFile } from './schema'

const BOOK = [
  'name',
  'purpose',
  'spools',
  'printerOf',
  'plates',
  'accepted',
  'fileChecks',
  'build',
  'power',
  'tilt',
  'wingSets',
  'checks',
  'flights',
  'tracks',
  'field',
  'wishes',
  'tracings',
] as const satisfies ReadonlyArray<keyof ProjectFile>
/** Of the brief: what verdicts are held against. */
const ASKED = [
  'targetMassG',
  'printHours',
  'stallMaxMs',
  'spanMaxMm',
  'travelBoxMm',
  'currency',
  'windMaxMs',
] as const satisfies ReadonlyArray<keyof Brief>

const MAKES = ['bedMm', 'wallSpeedMmS', 'flowMm3S', 'enclosed'] as const satisfies ReadonlyArray<
  keyof Printer
>
/** Of the printers: what decides how large a piece may be and how its filament comes out. */
export type PrinterOfDesign = Pick<Printer, (typeof MAKES)[number]>

export type Design = Omit<ProjectFile, (typeof BOOK)[number] | 'brief' | 'printers'> & {
  brief: Omit<Brief, (typeof ASKED)[number]>
  printers: readonly PrinterOfDesign[]
}

function without<T extends object, K extends keyof T>(whole: T, keys: readonly K[]): Omit<T, K> {
  const rest = { ...whole }
  for (const key of keys) delete rest[key]
  return rest
}

const asked = narrowed((brief: Brief) => without(brief, ASKED))

const benchOf = narrowedList(only<Printer, keyof PrinterOfDesign>(...MAKES))

export const designOf: (doc: ProjectFile) => Design = narrowed((doc: ProjectFile) => ({
  ...without(doc, BOOK),
  brief: asked(doc.brief),
  printers: benchOf(doc.printers),
}))
