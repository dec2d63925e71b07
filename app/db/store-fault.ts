/** What the browser's own store answers when it fails, in words that say what to do. */
/** Something that should have been kept was not; the message says why and what helps. */
export class StoreFault extends Error {}

export const isQuota = (fault: unknown): boolean =>
  /quota/i.test(`${(fault as Error)?.name} ${(fault as { inner?: Error })?.inner?.name ?? ''}`)

/** How long the store may take to answer before the maker is told, ms: a damaged one never does. */
const PATIENCE_MS = 15_000

/** Ends a wait that would have no end. */
export function withWord<T>(work: PromiseLike<T>, patienceMs = PATIENCE_MS): Promise<T> {
  return new Promise((resolve, reject) => {
    const late = setTimeout(
      () =>
        reject(
          new StoreFault(
            "the browser's own store does not answer; close other tabs of Mariposa, then reload. Project files that were exported open in any browser",
          ),
        ),
      patienceMs,
    )
    Promise.resolve(work)
      .then(resolve, reject)
      .finally(() => clearTimeout(late))
  })
}

/** Runs a write; what goes wrong becomes a `StoreFault` that says `what` was not kept. */
export async function written<T>(what: string, work: () => PromiseLike<T>): Promise<T> {
  try {
    return await withWord(work())
  } catch (fault) {
    if (fault instanceof StoreFault) throw fault
    if (isQuota(fault))
      throw new StoreFault(
        `${what} was not kept: the disk is full. Nothing else was changed; free space, then try again`,
      )
    throw new StoreFault(`${what} was not kept: ${reasonOf(fault)}`)
  }
}

/** One line for a failure of the store. */
export function reasonOf(fault: unknown): string {
  if (fault instanceof StoreFault) return fault.message
  const { name, message } = fault as Error
  if (/OpenFailed|MissingAPI|Security|InvalidState/.test(name ?? ''))
    return `the browser's own store cannot be opened (${message.slice(0, 120)}); allow this site to keep data, then reload`
  return String(message ?? fault)
    .split('\n')[0]!
    .slice(0, 200)
}
