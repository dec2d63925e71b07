/** What the command line answers to its words: one JSON object, or one line that names place and reason. */
import { parseArgs } from 'node:util'
import { DocumentError } from '../core/document'
import { assessVerb } from './assess'
import { beamVerb } from './beam'
import { beginVerb } from './begin'
import { bookVerb } from './book'
import { checkVerb } from './check'
import { demoVerb } from './demo'
import { diagnoseVerb } from './diagnose'
import { flatVerb } from './flat'
import { forecastVerb } from './forecast'
import { gcodeVerb } from './gcode'
import { sourceOf, type Source } from './input'
import { layVerb } from './lay'
import { liftVerb } from './lift'
import { mendVerb } from './mend'
import { orderVerb } from './order'
import { powerVerb } from './power'
import { propellerVerb } from './propeller'
import { sectionVerb } from './section'
import { sliceVerb } from './slice'
import { studyVerb } from './study'
import { tossVerb } from './toss'

export interface Arguments extends Source {
  file: string | undefined
  /** Files after the first, of verbs that take more than one. */
  more: string[]
  options: Record<string, string>
}
interface Verb {
  run: (args: Arguments) => unknown | Promise<unknown>
  options?: readonly string[]
  files?: number
}

const VERBS: Record<string, Verb> = {
  assess: { run: assessVerb },
  begin: { run: beginVerb },
  demo: { run: demoVerb },
  lift: { run: liftVerb },
  section: { run: sectionVerb, options: ['alpha', 're', 'inviscid'] },
  beam: { run: beamVerb },
  slice: { run: sliceVerb, options: ['recipe', 'printer'] },
  gcode: { run: gcodeVerb, options: ['printer', 'filament'] },
  study: { run: studyVerb, options: ['vary'] },
  forecast: { run: forecastVerb, options: ['rest'] },
  lay: { run: layVerb, options: ['piece', 'printer'] },
  check: { run: checkVerb, options: ['piece'], files: 2 },
  order: { run: orderVerb },
  flat: { run: flatVerb, options: ['out', 'sheet'] },
  diagnose: { run: diagnoseVerb },
  mend: { run: mendVerb, options: ['piece', 'at'] },
  propeller: { run: propellerVerb },
  power: { run: powerVerb },
  toss: {
    run: tossVerb,
    options: [
      'speed',
      'angle',
      'elevator',
      'cg',
      'wind',
      'gust',
      'height',
      'payload',
      'throttle',
      'after',
      'tail',
    ],
  },
  book: { run: bookVerb, options: ['out', 'paper', 'html', 'sheets'] },
}

const HELP = `npm run -s cli -- VERB [FILE] [--option value]
  assess FILE     a project: mass, balance, strength, hours, pieces, findings
  begin FILE      a brief (what for, load, wind, span, drawer): layouts sized and assessed, best first
  demo [NAME]     a demo project, as shipped (thistledown, plover)
  lift FILE       surfaces in metres: lift slope, neutral point, induced drag, strips
  section NAME    naca2412-style name or a coordinate file [--alpha DEG] [--re NUMBER] [--inviscid true]
  beam FILE       a cantilever or simple beam in SI: moment, shear, deflection, reactions
  slice FILE      an STL or 3MF model: bead lengths, mass, hours [--recipe FILE] [--printer FILE]
  gcode FILE      G-code replayed: filament, mass, hours, layers, extent [--printer FILE] [--filament ID]
  study FILE      a project with --vary FILE: every combination assessed, the front of weight, hours, cost, reserve
  forecast FILE   a project: flying weight and balance as its weighings teach, stage by stage [--rest true: go on or stop]
  lay FILE        a piece of a project as a machine file (G-code, not JSON) --piece ID [--printer ID]
  check GCODE FILE  a machine file held against a piece of a project [--piece ID]
  order FILE      a project: every step of the build in order, what it needs, what it brings in; what to buy
  flat FILE       a project's flat parts on sheets at full size [--sheet 600x300] [--out FOLDER: SVG and DXF]
  propeller FILE  a propeller in SI at one turning speed: thrust, torque, efficiency by speed of flight
  power FILE      a project's drive, or one of a few figures: thrust, current, speed, climb, minutes, limits
  toss FILE       a project thrown by hand, or an aircraft of a few figures [--speed --angle --elevator --cg --wind]
  diagnose FILE   a project with flights: what is off with it, how likely, what would tell, what mends it
  mend FILE       a piece that broke: the ways to mend it, computed --piece ID --at MM
  book FILE       a project's book as PDF --out PDF [--paper a4|letter] [--html true] [--sheets true]
FILE is a path, or - for standard input. One JSON object comes out; a mistake in the input is one line on
standard error, with exit status 2.`

/** Negative figures are values, not options: `--alpha -4` is what people type. */
const valued = (words: readonly string[], options: readonly string[]): string[] =>
  words.flatMap((word, i) => {
    if (i > 0 && options.includes(words[i - 1].slice(2)) && words[i - 1].startsWith('--')) return []
    const next = words[i + 1]
    return word.startsWith('--') && options.includes(word.slice(2)) && next !== undefined
      ? [`${word}=${next}`]
      : [word]
  })

function parse(words: readonly string[], verb: string, input: number | Uint8Array): Arguments {
  const names = VERBS[verb].options ?? []
  let parsed
  try {
    parsed = parseArgs({
      args: valued(words, names),
      options: Object.fromEntries(names.map(name => [name, { type: 'string' as const }])),
      allowPositionals: true,
    })
  } catch (fault) {
    const { code, message } = fault as Error & { code?: string }
    const named = /'(--?[^' =]+)/.exec(message)?.[1] ?? ''
    if (code === 'ERR_PARSE_ARGS_UNKNOWN_OPTION')
      throw new DocumentError(
        '',
        `${verb} has no option ${named}${names.length ? `; it has --${names.join(', --')}` : ''}`,
      )
    throw new DocumentError(named, 'needs a value')
  }
  const [file, ...more] = parsed.positionals
  const left = parsed.positionals[VERBS[verb].files ?? 1]
  if (left !== undefined)
    throw new DocumentError(
      '',
      `${(VERBS[verb].files ?? 1) > 1 ? 'too many files' : 'one file at a time'}; "${left}" is left over`,
    )
  const options = parsed.values as Record<string, string>
  return { file, more, options, ...sourceOf(file, input) }
}

/** Infinity and NaN have no JSON; say null. */
const finite = (_key: string, value: unknown) =>
  typeof value === 'number' && !Number.isFinite(value) ? null : value

export interface Answer {
  status: 0 | 2
  /** For standard output. */
  out: string
  /** For standard error. */
  err: string
}

/** `input`: descriptor or content of standard input, read where the file is `-`. */
export async function answer(words: readonly string[], input: number | Uint8Array): Promise<Answer> {
  const [verb, ...rest] = words
  if (verb === undefined || verb === '--help' || verb === 'help' || rest.includes('--help'))
    return { status: verb === undefined ? 2 : 0, out: `${HELP}\n`, err: '' }
  let args: Arguments | null = null
  try {
    if (!Object.hasOwn(VERBS, verb))
      throw new DocumentError(
        '',
        `there is no verb "${verb.slice(0, 40)}"; verbs: ${Object.keys(VERBS).join(', ')}`,
      )
    args = parse(rest, verb, input)
    const result = await VERBS[verb].run(args)
    // A machine file is not JSON.
    const out = typeof result === 'string' ? result : `${JSON.stringify(result, finite, 2)}\n`
    return { status: 0, out, err: '' }
  } catch (fault) {
    if (!(fault instanceof DocumentError)) throw fault
    // A fault in an option's own file names that file already.
    const named = Object.values(args?.options ?? {}).some(value => value && fault.path.startsWith(value))
    const file = named || args?.file === undefined ? '' : args.file === '-' ? 'standard input' : args.file
    const place = [verb, file, fault.path].filter(Boolean).join(': ')
    return { status: 2, out: '', err: `${place}: ${fault.reason.replaceAll('\n', ' ')}\n` }
  }
}
