/** What is no longer as it was when it last flew, part by part. */
import type { Assessment } from '../../assess'
import { designParts, fingerprint, type Flown, type ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'

/** What changes nothing in the air. */
const ASIDE =
  /^(name|purpose|printers\/|spools\/|printerOf|measured|allowances|aerofoils\/|polars|wingSets\/|build\.|field\.)/

const flyingParts = (doc: ProjectFile) => [...designParts(doc).values()].filter(part => !ASIDE.test(part.key))

/** The design as it flies now, to be compared with later. */
export const flownState = (doc: ProjectFile, { totals }: Pick<Assessment, 'totals'>): Flown => ({
  massG: Math.round(10 * totals.massG) / 10,
  cgMm: Math.round(10 * totals.cgMm[0]) / 10,
  parts: Object.fromEntries(
    flyingParts(doc)
      .slice(0, 400)
      .map(part => [part.key.slice(0, 80), fingerprint(part.value)]),
  ),
})

/** Damage that was mended, or is not yet, since then counts as a change too. */
export function changesSince(doc: ProjectFile, assessment: Pick<Assessment, 'totals'>): Words[] {
  const { flown } = doc.field
  if (!flown) return []
  const now = flownState(doc, assessment)
  const labels = new Map(flyingParts(doc).map(part => [part.key.slice(0, 80), part.label]))
  const changed = Object.keys(now.parts).filter(key => flown.parts[key] !== now.parts[key])
  const gone = Object.keys(flown.parts).filter(key => !(key in now.parts))
  const words: Words[] = changed.map(key =>
    key in flown.parts ? say`${labels.get(key) ?? key} has changed` : say`${labels.get(key) ?? key} is new`,
  )
  words.push(...gone.map(key => say`${key.replace('/', ': ')} is gone`))
  const heavier = now.massG - flown.massG,
    moved = now.cgMm - flown.cgMm
  if (Math.abs(heavier) >= 1)
    words.push(say`${q(Math.abs(heavier), 'g', 0)} ${heavier > 0 ? 'heavier' : 'lighter'} by computation`)
  if (Math.abs(moved) >= 0.5)
    words.push(say`It balances ${q(Math.abs(moved), 'mm', 1)} further ${moved > 0 ? 'aft' : 'forward'}`)
  const last = doc.flights.at(-1)
  for (const damage of doc.damages)
    if (damage.state !== 'mended') words.push(say`${damage.piece} is broken and not mended`)
    else if (last && damage.flight === last.id) words.push(say`${damage.piece} was mended since`)
  return words
}
