/** Nothing lost: leaving unsaved work, full disks, damaged records, clashing imports. */
import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { DEMOS } from '../../core/demo'
import { DocumentError, writeProject } from '../../core/document'
import { db, saveProject } from '~/db/database'
import { rawRecord, shelfItems } from '~/db/records'
import { StoreFault, withWord } from '~/db/store-fault'
import { useProject } from './project'

type Project = ReturnType<typeof useProject>
const settle = (project: Project) => vi.waitFor(() => expect(project.saveState).not.toBe('saving'))
const fresh = async () => {
  setActivePinia(createPinia())
  const project = useProject()
  await project.start()
  return project
}
const factor = (project: Project, value: number) =>
  project.edit('Set load factor', d => {
    d.brief.loadFactor = value
  })
const full = () => Promise.reject(new Dexie.QuotaExceededError('no room'))
/** A disk with no room from now on. */
const fill = () => {
  vi.spyOn(db.projects, 'put').mockImplementation(full as never)
  vi.spyOn(db.projects, 'add').mockImplementation(full as never)
  vi.spyOn(db.marks, 'add').mockImplementation(full as never)
}
/** A write that waits until it is let go; everything else goes its way. */
async function held() {
  let waiting = false
  let release = () => {}
  const gate = new Promise<void>(resolve => {
    release = resolve
  })
  const database = await import('~/db/database')
  const real = database.db.transaction.bind(database.db)
  vi.spyOn(database.db, 'transaction').mockImplementationOnce(((...all: Parameters<typeof real>) => {
    waiting = true
    return gate.then(() => real(...all))
  }) as never)
  return { waits: () => waiting, release: () => release() }
}
afterEach(() => vi.restoreAllMocks())
beforeEach(async () => {
  // A save of the test before may still be resting.
  await new Promise(resolve => setTimeout(resolve, 200))
  await Promise.all([db.projects.clear(), db.marks.clear(), db.settings.clear()])
})

describe('leaving unsaved work', () => {
  it('on a full disk asks first; staying keeps it, and leaving goes once the maker says so', async () => {
    const project = await fresh()
    fill()
    factor(project, 7)
    await settle(project)
    expect(project.saveState).toBe('full')
    await project.open('plover', 'Plover')
    expect(project.doc!.id).toBe('thistledown')
    expect(project.leaving!.to).toBe('Plover')
    project.stay()
    expect(project.leaving).toBeNull()
    expect(project.doc!.brief.loadFactor).toBe(7)
    await project.open('plover', 'Plover')
    await project.leave()
    expect(project.doc!.id).toBe('plover')
    expect(project.saveState).toBe('saved')
  })
  it('after another tab took over asks too, and not where nothing was changed since', async () => {
    const project = await fresh()
    const stored = (await db.projects.get('thistledown'))!
    await saveProject({ ...stored, doc: { ...stored.doc, brief: { ...stored.doc.brief, loadFactor: 3 } } })
    factor(project, 8)
    await settle(project)
    expect(project.saveState).toBe('elsewhere')
    await project.add(DEMOS[1])
    expect(project.leaving).not.toBeNull()
    expect(project.doc!.brief.loadFactor).toBe(8)
    project.stay()
    await project.reloadStored()
    await project.open('plover')
    expect(project.leaving).toBeNull()
    expect(project.doc!.id).toBe('plover')
  })
  it('goes at once where there is room again', async () => {
    const project = await fresh()
    fill()
    factor(project, 7)
    await settle(project)
    vi.restoreAllMocks()
    await project.open('plover')
    expect(project.doc!.id).toBe('plover')
    expect((await db.projects.get('thistledown'))!.doc.brief.loadFactor).toBe(7)
  })
  it('a page that closes asks while work is not kept, and only then', async () => {
    const target = new EventTarget()
    vi.stubGlobal('window', target)
    const asked = () => {
      const event = new Event('beforeunload', { cancelable: true })
      target.dispatchEvent(event)
      return event.defaultPrevented
    }
    try {
      const project = await fresh()
      expect(asked()).toBe(false)
      factor(project, 6)
      // About to be kept: leaving the page ends the rest before it.
      expect(asked()).toBe(false)
      await settle(project)
      fill()
      factor(project, 7)
      await settle(project)
      expect(asked()).toBe(true)
    } finally {
      vi.unstubAllGlobals()
    }
  })
  it('a mark and a fresh project on a full disk say that they failed, and change nothing', async () => {
    const project = await fresh()
    fill()
    await expect(project.mark('as flown')).rejects.toThrow(/mark as flown was not kept: the disk is full/)
    await expect(project.add(DEMOS[1])).rejects.toBeInstanceOf(StoreFault)
    expect(project.doc!.id).toBe('thistledown')
    expect(await project.said(() => project.mark('x'))).toBe(false)
    expect(project.refused).toMatch(/disk is full/)
  })
  it('two edits in one tick before the page goes are both kept', async () => {
    const target = new EventTarget()
    vi.stubGlobal('window', target)
    try {
      const project = await fresh()
      factor(project, 6)
      await settle(project)
      factor(project, 7)
      project.edit('Set walls', d => {
        d.zones[0].recipe.walls = 5
      })
      target.dispatchEvent(new Event('pagehide'))
      await settle(project)
      const { doc } = (await db.projects.get('thistledown'))!
      expect([doc.brief.loadFactor, doc.zones[0].recipe.walls]).toEqual([7, 5])
    } finally {
      vi.unstubAllGlobals()
    }
  })
})

describe('one project after another', () => {
  it('an edit made while the next one is being read is kept before it goes', async () => {
    const project = await fresh()
    const going = project.open('plover')
    factor(project, 7)
    await going
    expect(project.doc!.id).toBe('plover')
    expect((await db.projects.get('thistledown'))!.doc.brief.loadFactor).toBe(7)
    factor(project, 4)
    await settle(project)
    expect(project.saveState).toBe('saved')
    expect((await db.projects.get('plover'))!.doc.brief.loadFactor).toBe(4)
  })
  it('what is still being written of the one before says nothing of the next', async () => {
    const project = await fresh()
    const slow = await held()
    factor(project, 7)
    await vi.waitFor(() => expect(slow.waits()).toBe(true))
    await project.reloadStored()
    expect(project.unkept).toBe(false)
    slow.release()
    await new Promise(resolve => setTimeout(resolve, 50))
    expect(project.unkept).toBe(false)
    expect(project.doc!.brief.loadFactor).toBe(DEMOS[0].brief.loadFactor)
  })
  it('the maker is asked first, and then what was asked for is done', async () => {
    const project = await fresh()
    fill()
    factor(project, 7)
    await settle(project)
    const state = { ...DEMOS[1], brief: { ...DEMOS[1].brief, loadFactor: 9 } }
    await project.takeOver(state)
    expect(project.doc!.id).toBe('thistledown')
    await project.leave()
    expect([project.doc!.id, project.doc!.brief.loadFactor]).toEqual(['plover', 9])
  })
})

describe('damaged records', () => {
  const put = (record: object) => db.projects.put(record as never)
  it('stand on the shelf with what is wrong, can be taken raw and deleted; the rest opens', async () => {
    await fresh()
    await put({ id: 'torn', name: 'Torn', revision: 2, changedAt: 5, doc: { format: 'mariposa-project' } })
    await put({ id: 'bare' })
    await db.settings.put({ key: 'open', value: 'torn' })
    const project = await fresh()
    expect(project.doc!.id).toBe('thistledown')
    expect(project.notice).toMatch(/^Torn cannot be opened: .*Projects/)
    const faults = Object.fromEntries(project.shelf.map(item => [item.id, item.fault]))
    expect(faults).toMatchObject({ thistledown: null, plover: null })
    expect(faults.torn).toBeTruthy()
    expect(faults.bare).toBeTruthy()
    await expect(project.open('torn')).rejects.toBeInstanceOf(DocumentError)
    expect(project.doc!.id).toBe('thistledown')
    expect(JSON.parse(await rawRecord('torn')).name).toBe('Torn')
    const { deleteRecord } = await import('~/db/records')
    await deleteRecord('torn')
    expect((await shelfItems()).map(item => item.id).sort()).toEqual(['bare', 'plover', 'thistledown'])
  })
  it('both demos damaged: a fresh one is begun', async () => {
    for (const demo of DEMOS) await put({ id: demo.id, name: demo.name, doc: null })
    const project = await fresh()
    expect(project.doc!.id).toBe('thistledown-2')
  })
  it('a missing history is an empty one; a damaged step of undo changes nothing and is taken out', async () => {
    await fresh()
    const step = (name: string, back: unknown) => ({ name, at: 1, forward: [], back })
    await put({ id: 'bare', name: 'Bare', revision: 1, changedAt: 1, doc: { ...DEMOS[0], id: 'bare' } })
    const project = await fresh()
    await project.open('bare')
    expect(project.canUndo).toBe(false)
    await put({
      id: 'bent',
      name: 'Bent',
      revision: 1,
      changedAt: 1,
      doc: { ...DEMOS[0], id: 'bent' },
      done: [
        'nonsense',
        step('Earlier', [{ op: 'replace', path: ['brief', 'loadFactor'], value: 3 }]),
        step('Bent', [{ op: 'replace', path: ['wing'], value: null }]),
      ],
      undone: [step('Deep', [])],
    })
    await project.open('bent')
    const before = project.doc
    expect(project.done.map(edit => edit.name)).toEqual(['Earlier', 'Bent'])
    project.undo()
    expect(project.doc).toBe(before)
    expect(project.refused).toMatch(/^Bent: .*damaged/)
    expect(project.canUndo).toBe(false)
    await settle(project)
    expect((await db.projects.get('bent'))!.doc.wing.rootChordMm).toBe(DEMOS[0].wing.rootChordMm)
  })
  it('a store that never answers is said to be one', async () => {
    await expect(withWord(new Promise(() => {}), 20)).rejects.toThrow(/does not answer/)
    await expect(withWord(Promise.resolve(3), 20)).resolves.toBe(3)
  })
})

describe('imports', () => {
  it('fifteen of one id at once all stand on the shelf', async () => {
    const project = await fresh()
    await Promise.all(
      Array.from({ length: 15 }, (_, i) =>
        project.importText(writeProject({ ...DEMOS[1], name: `Copy ${i}` })),
      ),
    )
    const names = (await shelfItems()).map(item => item.name)
    for (let i = 0; i < 15; i++) expect(names).toContain(`Copy ${i}`)
  })
  it('of a project that is here can become its newest edit, which is undone like any other', async () => {
    const project = await fresh()
    const state = { ...DEMOS[1], brief: { ...DEMOS[1].brief, loadFactor: 9 } }
    expect((await project.sameHere(state))!.brief.loadFactor).toBe(DEMOS[1].brief.loadFactor)
    expect(await project.sameHere({ ...state, id: 'elsewhere' })).toBeNull()
    await project.takeOver(state)
    expect(project.doc!.id).toBe('plover')
    expect(project.doc!.brief.loadFactor).toBe(9)
    project.undo()
    expect(project.doc).toEqual(DEMOS[1])
  })
  it('of other projects leave this one alone while they are looked for', async () => {
    const project = await fresh()
    factor(project, 7)
    await project.importText(writeProject(DEMOS[1]))
    expect((await db.projects.get('thistledown'))!.doc.brief.loadFactor).toBe(7)
  })
})
