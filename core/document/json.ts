/**
 * JSON text into a value, its size, depth and number of values bounded before anything is built of it: sixty
 * megabytes of `{}` would take gigabytes.
 */
import { DocumentError } from './fault'

export interface JsonLimits {
  bytes: number
  /** Values and keys: commas, colons and opening brackets. */
  values: number
  depth: number
}

const shorten = (text: string): string => (text.length > 160 ? `${text.slice(0, 157)}…` : text)

/** Throws `DocumentError`: too long, too many values, too deep, or no JSON; `what` names the kind of file. */
export function parseJson(text: string, what: string, { bytes, values, depth }: JsonLimits): unknown {
  if (text.length > bytes)
    throw new DocumentError(
      '',
      `the file has ${Math.ceil(text.length / 1e6)} MB; ${what} has at most ${bytes / 1e6} MB`,
    )
  let open = 0,
    count = 0
  for (let i = 0; i < text.length; i++) {
    switch (text.charCodeAt(i)) {
      case 34 /* " */:
        i = endOfString(text, i)
        break
      case 91 /* [ */:
      case 123 /* { */:
        count++
        if (++open > depth) throw new DocumentError('', `nested deeper than ${depth}; ${what} is not`)
        break
      case 93:
      case 125:
        open--
        break
      case 44 /* , */:
      case 58 /* : */:
        count++
    }
    if (count > values) throw new DocumentError('', `more than ${values} values; ${what} has fewer`)
  }
  try {
    return JSON.parse(text)
  } catch (fault) {
    throw new DocumentError(
      '',
      `not JSON, or cut short: ${shorten((fault as Error).message)}. Export it again.`,
    )
  }
}

/** Place of the quotation mark that ends the string begun at `from`; the end of the text where none does. */
function endOfString(text: string, from: number): number {
  let at = text.indexOf('"', from + 1)
  while (at > 0) {
    let slashes = 0
    while (text.charCodeAt(at - 1 - slashes) === 92 && at - 1 - slashes > from) slashes++
    if (slashes % 2 === 0) return at
    at = text.indexOf('"', at + 1)
  }
  return text.length
}
