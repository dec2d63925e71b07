/** The maker's own parts as a file, for another browser or another maker. */
import { z } from 'zod'
import { DocumentError, Equipment, parseJson, pathText } from '../../document'
import type { DrawerPart } from './part'

const { id, name, kind, massG, sizeMm, battery, servo, motor, controller, propeller, fan } = Equipment.shape

/** A part of one's own: what is written on it and what the scale says. */
export const OwnPart = z.strictObject({
  id,
  name,
  kind,
  massG,
  sizeMm,
  battery,
  servo,
  motor,
  controller,
  propeller,
  fan,
})

/** Parts that one drawer holds. */
export const MOST_PARTS = 300

const PartsFile = z.strictObject({
  format: z.literal('mariposa-parts'),
  version: z.literal(1),
  parts: z.array(OwnPart).max(MOST_PARTS),
})

export const writeParts = (parts: readonly DrawerPart[]): string =>
  `${JSON.stringify(
    { format: 'mariposa-parts', version: 1, parts: parts.map(({ group: _, ...part }) => part) },
    null,
    2,
  )}\n`

/** Throws `DocumentError` with the path and the reason. */
export function readParts(json: string): DrawerPart[] {
  const raw = parseJson(json, 'a file of parts', { bytes: 1_000_000, values: 20_000, depth: 8 })
  const parsed = PartsFile.safeParse(raw)
  if (!parsed.success)
    throw new DocumentError(
      pathText(parsed.error.issues[0].path),
      parsed.error.issues[0].message.slice(0, 200),
    )
  return parsed.data.parts.map(part => ({ ...part, group: 'My own' as const }))
}

/** Both drawers in one: of one name the newer stays. */
export function together(old: readonly DrawerPart[], added: readonly DrawerPart[]): DrawerPart[] {
  const names = new Set(added.map(item => item.name))
  return [...old.filter(item => !names.has(item.name)), ...added].slice(-MOST_PARTS)
}
