/** The database gone, torn or older than what was shown as kept: what stands in the second copy comes back. */
import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { DEMOS } from '../../core/demo'
import { useProject } from '~/stores/project'
import { db } from './database'
import { deleteRecord } from './records'
import { copyPhoto, putBack } from './second-copy'

/** What of the browser's store for answers is used. */
class Answers {
  all = new Map<string, Response>()
  private url = (request: RequestInfo) =>
    new URL(typeof request === 'string' ? request : request.url, 'http://here').href
  put = async (request: RequestInfo, answer: Response) => void this.all.set(this.url(request), answer)
  match = async (request: RequestInfo) => this.all.get(this.url(request))?.clone()
  delete = async (request: RequestInfo) => this.all.delete(this.url(request))
  keys = async () => [...this.all.keys()].map(url => new Request(url))
}
let answers: Answers
const lose = () => Promise.all([db.projects, db.marks, db.settings, db.photos].map(table => table.clear()))

beforeEach(async () => {
  answers = new Answers()
  vi.stubGlobal('caches', { open: async () => answers })
  await lose()
})
afterEach(() => vi.unstubAllGlobals())

async function opened() {
  setActivePinia(createPinia())
  const project = useProject()
  await project.start()
  return project
}
async function worked() {
  const project = await opened()
  for (const value of [5, 6, 7]) {
    project.edit('Set load factor', d => {
      d.brief.loadFactor = value
    })
    await vi.waitFor(() => expect(project.saveState).toBe('saved'))
  }
  return project
}

describe('when the browser has lost its database', () => {
  it('the project comes back as it was last shown as kept, with its marks and pictures, and it is said', async () => {
    const project = await worked()
    await project.mark('Ready')
    await copyPhoto({
      id: 'photo-1',
      project: 'thistledown',
      type: 'image/jpeg',
      bytes: Uint8Array.of(1, 2).buffer,
      at: 1,
    })
    await lose()
    const after = await opened()
    expect(after.doc!.id).toBe('thistledown')
    expect(after.doc!.brief.loadFactor).toBe(7)
    await vi.waitFor(() => expect(after.marks.map(mark => mark.name)).toEqual(['Ready']))
    expect(new Uint8Array((await db.photos.get('photo-1'))!.bytes)).toEqual(Uint8Array.of(1, 2))
    expect(after.notice).toMatch(/Thistledown.*back as last kept/)
    // Nothing is lost the next time, and nothing is said.
    expect((await opened()).notice).toBeNull()
  })
  it('a copy that was cut off leaves the one before', async () => {
    await worked()
    const newest = [...answers.all.entries()].filter(([url]) => url.includes('/projects/thistledown/'))
    expect(newest).toHaveLength(2)
    const revision = async (answer: Response) =>
      ((await answer.clone().json()) as { revision: number }).revision
    const [a, b] = await Promise.all(newest.map(([, answer]) => revision(answer)))
    const [url, whole] = newest[a! > b! ? 0 : 1]!
    answers.all.set(url, new Response((await whole.text()).slice(0, 4000), { headers: whole.headers }))
    await lose()
    expect((await opened()).doc!.brief.loadFactor).toBe(6)
  })
  it('one that the database has older is brought up; one that it has newer stays', async () => {
    await worked()
    const stored = (await db.projects.get('thistledown'))!
    await db.projects.put({ ...stored, revision: stored.revision - 2, doc: DEMOS[0] })
    expect((await opened()).doc!.brief.loadFactor).toBe(7)
    await db.projects.put({ ...stored, revision: stored.revision + 5, doc: DEMOS[0] })
    const newer = await opened()
    expect(newer.doc!.brief.loadFactor).toBe(DEMOS[0]!.brief.loadFactor)
    expect(newer.notice).toBeNull()
  })
  it('what was deleted stays deleted, and a store that fails keeps nobody from working', async () => {
    const project = await worked()
    await project.mark('Ready')
    await deleteRecord('thistledown')
    expect(await putBack(undefined)).toEqual([])
    expect(await db.marks.count()).toBe(0)
    answers.put = () => Promise.reject(new DOMException('no room', 'QuotaExceededError'))
    answers.keys = () => Promise.reject(new Error('broken'))
    expect((await worked()).doc!.brief.loadFactor).toBe(7)
  })
})
