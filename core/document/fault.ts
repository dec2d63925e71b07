/**
 * A mistake in what the maker gave; `path` is the first faulty place, `reason` says what is wrong and what is
 * wanted.
 */
export class DocumentError extends Error {
  constructor(
    readonly path: string,
    readonly reason: string,
  ) {
    super(path ? `${path}: ${reason}` : reason)
    this.name = 'DocumentError'
  }
}
