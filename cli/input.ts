/** What the verbs read: a file or standard input, whole or as it comes, with one line where it cannot be read. */
import { closeSync, fstatSync, openSync, readFileSync, readSync } from 'node:fs'
import { DocumentError } from '../core/document'

/** Files that are read whole have at most this, bytes. */
export const MAX_BYTES = 260_000_000
const CHUNK = 1 << 20

export interface Source {
  read(): string
  readBytes(): Uint8Array
  /** The text in stretches, so that a file of any length can be read. */
  chunks(): Iterable<string>
}

/** `input`: descriptor or content of standard input, taken where the file is `-`. */
export function sourceOf(file: string | undefined, input: number | Uint8Array): Source {
  const readBytes = () => reading(file, () => whole(file!, input))
  return { read: () => new TextDecoder().decode(readBytes()), readBytes, chunks: () => chunks(file, input) }
}

/** A file beside the main one; `place` names it in the message. */
export function readBeside(path: string, place = path): string {
  try {
    return new TextDecoder().decode(whole(path, new Uint8Array()))
  } catch (fault) {
    throw fault instanceof DocumentError
      ? new DocumentError(place, fault.reason)
      : new DocumentError(place, `${place === path ? '' : `${path}: `}${cause(fault)}`)
  }
}

function whole(file: string, input: number | Uint8Array): Uint8Array {
  if (file === '-' && typeof input !== 'number') return input
  const handle = file === '-' ? (input as number) : openSync(file, 'r')
  try {
    const about = fstatSync(handle)
    if (about.isFile()) {
      checkSize(about.size)
      return readFileSync(handle)
    }
    // A pipe has no size of its own.
    const parts: Uint8Array[] = []
    let size = 0
    for (const part of pieces(handle)) {
      parts.push(part.slice())
      size += part.length
      checkSize(size)
    }
    return Buffer.concat(parts)
  } finally {
    if (file !== '-') closeSync(handle)
  }
}

function* chunks(file: string | undefined, input: number | Uint8Array): Iterable<string> {
  const decoder = new TextDecoder()
  if (file === '-' && typeof input !== 'number') return yield decoder.decode(input)
  const handle = reading(file, () => (file === '-' ? (input as number) : openSync(file!, 'r')))
  try {
    const stretches = pieces(handle)
    for (;;) {
      const next = reading(file, () => stretches.next())
      if (next.done) break
      yield decoder.decode(next.value, { stream: true })
    }
    yield decoder.decode()
  } finally {
    if (file !== '-') closeSync(handle)
  }
}

function* pieces(handle: number): Generator<Uint8Array> {
  const buffer = new Uint8Array(CHUNK)
  for (;;) {
    const got = readSync(handle, buffer)
    if (got === 0) return
    yield buffer.subarray(0, got)
  }
}

function checkSize(size: number): void {
  if (size > MAX_BYTES)
    throw new DocumentError('', `has more than ${MAX_BYTES / 1e6} MB; at most that much is read at once`)
}

function reading<T>(file: string | undefined, work: () => T): T {
  if (file === undefined) throw new DocumentError('', 'name a file, or - for standard input')
  try {
    return work()
  } catch (fault) {
    if (fault instanceof DocumentError) throw fault
    throw new DocumentError('', cause(fault))
  }
}

function cause(fault: unknown): string {
  const { code, message } = fault as NodeJS.ErrnoException
  return code === 'EISDIR' ? 'is a folder; name a file' : `cannot be read: ${message.split('\n')[0]}`
}
