/** What the parts of a downloaded aircraft are, guessed from their names; the maker has the last word. */
export type PartRole = 'wing' | 'horizontal' | 'vertical' | 'body' | 'other'

/** A part as it was read from a file. */
export interface PartFile {
  name: string
  mesh: string
  sizeMm: readonly [number, number, number]
}

export interface SortedPart extends PartFile {
  role: PartRole
}

/** By words that makers name their files with, the first that is found. */
const WORDS: ReadonlyArray<readonly [PartRole, RegExp]> = [
  [
    'other',
    /mount|horn|hatch|lid|clip|hinge|servo|jig|stand|spinner|wheel|tray|aileron|elevator|rudder|flap/,
  ],
  ['horizontal', /h[-_ ]?stab|stabili[sz]er|tailplane|horizontal|elevon|canard/],
  ['vertical', /v[-_ ]?stab|fin\b|vertical|keel/],
  ['wing', /wing|panel|tip|centre|center/],
  ['body', /fus|body|nose|hull|pod|boom|tail/],
]

/** A name that says nothing leaves a part beside the rest: taken for what it is not, it would move the balance. */
export function guessRole({ name }: Pick<PartFile, 'name'>): PartRole {
  const low = name.toLowerCase().replace(/[_.]/g, ' ')
  return WORDS.find(([, words]) => words.test(low))?.[0] ?? 'other'
}

/** In the order of their names, numbers by their size. */
export const byName = (a: Pick<PartFile, 'name'>, b: Pick<PartFile, 'name'>): number =>
  a.name.localeCompare(b.name, 'en', { numeric: true })
