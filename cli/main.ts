/**
 * `npm run -s cli -- VERB [FILE] [--option value]`: one JSON object out, or one line on standard error and
 * exit 2.
 */
import { readFileSync } from 'node:fs'
import { DocumentError } from '../core/document'
import { assessVerb } from './assess'
import { beamVerb } from './beam'
import { demoVerb } from './demo'
import { gcodeVerb } from './gcode'
import { liftVerb } from './lift'
import { sectionVerb } from './section'
import { sliceVerb } from './slice'
import { studyVerb } from './study'

export interface Arguments {
  file: string | undefined
  options: Record<string, string>
  read(): string
  readBytes(): Uint8Array
}
type Verb = (args: Arguments) => unknown | Promise<unknown>

const VERBS: Record<string, Verb> = {
  assess: assessVerb,
  demo: demoVerb,
  lift: liftVerb,
  section: sectionVerb,
  beam: beamVerb,
  slice: sliceVerb,
  gcode: gcodeVerb,
  study: studyVerb,
}
const OPTIONS: Record<string, readonly string[]> = {
  section: ['alpha', 're', 'inviscid'],
  slice: ['recipe', 'printer'],
  gcode: ['printer', 'filament'],
  study: ['vary'],
}

const HELP = `npm run -s cli -- VERB [FILE] [--option value]
  assess FILE     a project: mass, balance, strength, hours, pieces, findings
  demo [NAME]     a demo project, as shipped (thistledown, plover)
  lift FILE       surfaces in metres: lift slope, neutral point, induced drag, strips
  section NAME    naca2412-style name or a coordinate file [--alpha DEG] [--re NUMBER] [--inviscid true]
  beam FILE       a cantilever or simple beam in SI: moment, shear, deflection, reactions
  slice FILE      an STL or 3MF model: bead lengths, mass, hours [--recipe FILE] [--printer FILE]
  gcode FILE      G-code replayed: filament, mass, hours, layers, extent [--printer FILE] [--filament ID]
  study FILE      a project with --vary FILE: every combination assessed, the front of weight, hours, cost, reserve
FILE is a path, or - for standard input. One JSON object comes out; a mistake in the input is one line on
standard error, with exit status 2.`

function parse(words: readonly string[], verb: string): Arguments {
  const options: Record<string, string> = {}
  let file: string | undefined
  for (let i = 0; i < words.length; i++) {
    const word = words[i]
    if (word.startsWith('--')) {
      const key = word.slice(2)
      if (!(OPTIONS[verb] ?? []).includes(key)) throw new DocumentError('', `${verb} has no option --${key}`)
      const value = words[++i]
      if (value === undefined) throw new DocumentError(`--${key}`, 'needs a value')
      options[key] = value
    } else if (file === undefined) file = word
    else throw new DocumentError('', `one file at a time; "${word}" is left over`)
  }
  return { file, options, read: () => readFile(file).toString('utf8'), readBytes: () => readFile(file) }
}

function readFile(file: string | undefined): Buffer {
  if (file === undefined) throw new DocumentError('', 'name a file, or - for standard input')
  try {
    return readFileSync(file === '-' ? 0 : file)
  } catch (fault) {
    throw new DocumentError('', `cannot be read: ${(fault as Error).message.split('\n')[0]}`)
  }
}

/** Infinity and NaN have no JSON; say null. */
const finite = (_key: string, value: unknown) =>
  typeof value === 'number' && !Number.isFinite(value) ? null : value

async function run(words: readonly string[]): Promise<number> {
  const [verb, ...rest] = words
  if (verb === undefined || verb === '--help' || verb === 'help' || rest.includes('--help')) {
    process.stdout.write(`${HELP}\n`)
    return verb === undefined ? 2 : 0
  }
  const file = rest.find(word => !word.startsWith('--')) ?? ''
  try {
    if (!Object.hasOwn(VERBS, verb))
      throw new DocumentError(
        '',
        `there is no verb "${verb.slice(0, 40)}"; verbs: ${Object.keys(VERBS).join(', ')}`,
      )
    const result = await VERBS[verb](parse(rest, verb))
    process.stdout.write(`${JSON.stringify(result, finite, 2)}\n`)
    return 0
  } catch (fault) {
    if (!(fault instanceof DocumentError)) throw fault
    // A fault in an option's own file names that file already.
    const named = rest.some((word, i) => rest[i - 1]?.startsWith('--') && fault.path.startsWith(word))
    process.stderr.write(
      `${[verb, named ? '' : file === '-' ? 'standard input' : file, fault.path].filter(Boolean).join(': ')}: ${fault.reason.replaceAll('\n', ' ')}\n`,
    )
    return 2
  }
}

process.exitCode = await run(process.argv.slice(2))
