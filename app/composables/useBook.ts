/** The book as a file: set on a thread of its own, with progress, and stopped by ending that thread. */
import { proxy, wrap } from 'comlink'
import type { ProjectFile } from '../../core/document'
import { download, fileName } from '~/composables/download'
import { reading } from '~/composables/format'
import type { BookApi, BookWish } from '~/workers/book.worker'

export type BookKind = 'pdf' | 'html' | 'sheets' | 'card' | 'card-html' | 'outlines'

const WHAT: Record<BookKind, { what: BookWish['what']; ending: 'pdf' | 'html'; added: string }> = {
  pdf: { what: 'book', ending: 'pdf', added: '' },
  html: { what: 'book', ending: 'html', added: '' },
  sheets: { what: 'sheets', ending: 'pdf', added: '-recipe-sheets' },
  card: { what: 'card', ending: 'pdf', added: '-flight-card' },
  outlines: { what: 'outlines', ending: 'pdf', added: '-flat-parts' },
  'card-html': { what: 'card', ending: 'html', added: '-flight-card' },
}

let worker: Worker | null = null

export function useBook() {
  /** What is being set, and how much of it is done, 0 to 1. */
  const at = useState<{ kind: BookKind; share: number } | null>('book-at', () => null)
  const fault = useState('book-fault', () => '')
  const made = useState<{ name: string; bytes: number } | null>('book-made', () => null)

  function stop() {
    worker?.terminate()
    worker = null
    at.value = null
  }

  async function make(doc: ProjectFile, kind: BookKind, paper: BookWish['paper'], now: string) {
    stop()
    fault.value = ''
    made.value = null
    at.value = { kind, share: 0 }
    const own = (worker = new Worker(new URL('../workers/book.worker.ts', import.meta.url), {
      type: 'module',
      name: 'book',
    }))
    const remote = wrap<BookApi>(own)
    const wish: BookWish = {
      paper,
      now,
      reading: { ...reading.value },
      what: WHAT[kind].what,
    }
    try {
      const broken = new Promise<never>((_, reject) => {
        own.onerror = () => reject(new Error('the part that sets the book could not be loaded or broke'))
      })
      const work =
        WHAT[kind].ending === 'html'
          ? remote.html(doc, wish)
          : remote.pdf(
              doc,
              wish,
              proxy((share: number) => {
                if (worker === own) at.value = { kind, share }
              }),
            )
      const content = await Promise.race([work, broken])
      if (worker !== own) return
      const { ending, added } = WHAT[kind]
      const name = `${fileName(doc.name)}${added}.${ending}`
      download(name, content, ending === 'html' ? 'text/html' : 'application/pdf')
      made.value = { name, bytes: content.length }
    } catch (error) {
      if (worker === own) fault.value = (error as Error).message
    } finally {
      if (worker === own) stop()
    }
  }
  return { at, fault, made, make, stop }
}
