/** What a page finds when it starts: the demos on the shelf, the project that was open last, and what went wrong. */
import { DEMOS } from '../../core/demo'
import { db } from './database'
import { addRecord, shelfItems, type ShelfItem } from './records'
import { putBack } from './second-copy'
import { isQuota, withWord } from './store-fault'

export interface AtStart {
  shelf: ShelfItem[]
  /** What opens; undefined where nothing can be read. */
  first: ShelfItem | undefined
  /** What the maker should know, or null. */
  notice: string | null
}

/** First start: the demo projects are put on the shelf. Throws `StoreFault` where the store does not answer. */
export async function whatStands(): Promise<AtStart> {
  let back: string[] = []
  let last: string | undefined
  try {
    last = (await withWord(db.settings.get('open')))?.value
    back = await withWord(putBack(last))
    const there = await withWord(db.projects.toCollection().primaryKeys())
    for (const demo of DEMOS) if (!there.includes(demo.id)) await addRecord(demo, demo.name)
  } catch (fault) {
    // Without room for the demos, what is there can still be opened.
    if (!isQuota(fault)) throw fault
  }
  const shelf = await withWord(shelfItems())
  const openable = shelf.filter(item => !item.fault)
  const first =
    openable.find(item => item.id === last) ??
    openable.find(item => item.id === (back.length > 0 ? shelf[0]!.id : DEMOS[0].id)) ??
    openable.find(item => item.id === DEMOS[0].id)
  return {
    shelf,
    first,
    notice: noticeOf(
      back,
      shelf.find(item => item.id === last && item.fault),
    ),
  }
}

function noticeOf(back: readonly string[], damaged: ShelfItem | undefined): string | null {
  if (damaged)
    return `${damaged.name.slice(0, 80)} cannot be opened: ${damaged.fault}. It stands under Projects, where its raw content can be taken as a file.`
  if (back.length === 0) return null
  const names = back.map(name => name.slice(0, 60)).join(', ')
  return `The browser lost its store, or a part of it: ${names} ${back.length === 1 ? 'is' : 'are'} back as last kept, from the second copy. The steps that could be undone are gone. A copy outside the browser, under Projects, is safer still.`
}
