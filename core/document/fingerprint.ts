/** What a value says, whatever the order of its keys: as text, and as a short number that tells two apart. */

export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
  if (typeof value === 'object' && value !== null)
    return `{${Object.entries(value)
      .filter(([, item]) => item !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, item]) => `${JSON.stringify(key)}:${canonical(item)}`)
      .join(',')}}`
  return JSON.stringify(value) ?? 'null'
}

/** 32 bits by Fowler, Noll & Vo (1a), as eight hexadecimal digits. It tells states apart; it proves nothing. */
export function fingerprint(value: unknown): string {
  let hash = 0x811c9dc5
  for (const char of canonical(value)) hash = Math.imul(hash ^ char.codePointAt(0)!, 0x01000193)
  return (hash >>> 0).toString(16).padStart(8, '0')
}
