/**
 * A second copy of what is kept, in another store of the browser: a database that is torn when the machine goes off may
 * be thrown away whole by the browser, with all that is in it. What was kept last is in two places by turns, so that a
 * copy that is cut off leaves the one before. Where a browser has no such store there is none.
 */
import { checkProject } from '../../core/document'
import { db, type MarkRecord, type PhotoRecord, type ProjectRecord } from './database'

/** Not a name that the stores of the application's own files have. */
const STORE = 'kept-twice'

const store = async (): Promise<Cache | null> =>
  typeof caches === 'undefined' ? null : caches.open(STORE).catch(() => null)

const projectKey = (id: string, slot: number) => `/kept/projects/${encodeURIComponent(id)}/${slot}`
const markKey = (project: string, at: number) => `/kept/marks/${encodeURIComponent(project)}/${at}`
const photoKey = (id: string) => `/kept/photos/${encodeURIComponent(id)}`

/** A copy that fails is one less: what was kept is kept. */
async function quietly(work: (cache: Cache) => Promise<unknown>): Promise<void> {
  try {
    const cache = await store()
    if (cache) await work(cache)
  } catch {
    // A full disk, most likely; the first copy has been written.
  }
}

type Copied = Pick<ProjectRecord, 'id' | 'name' | 'revision' | 'changedAt' | 'doc'>

/** What an entry is of is told beside it, so that a start of the page reads no more than that. */
interface About {
  project: string
  revision?: number
}
const entry = (body: BodyInit, about: About) =>
  new Response(body, { headers: { about: encodeURIComponent(JSON.stringify(about)) } })
const aboutOf = (answer: Response) =>
  JSON.parse(decodeURIComponent(answer.headers.get('about') ?? 'null')) as About

export const copyProject = ({ id, name, revision, changedAt, doc }: Copied): Promise<void> =>
  quietly(cache =>
    cache.put(
      projectKey(id, revision % 2),
      entry(JSON.stringify({ id, name, revision, changedAt, doc }), { project: id, revision }),
    ),
  )
export const copyMark = (mark: MarkRecord): Promise<void> =>
  quietly(cache =>
    cache.put(markKey(mark.project, mark.at), entry(JSON.stringify(mark), { project: mark.project })),
  )
export const copyPhoto = (photo: PhotoRecord): Promise<void> =>
  quietly(cache => cache.put(photoKey(photo.id), entry(photo.bytes, { project: photo.project })))

/** A deleted project, its marks and its pictures stay deleted. */
export const forgetCopies = (id: string, photos: readonly string[] = []): Promise<void> =>
  quietly(async cache => {
    for (const request of await cache.keys()) {
      const { pathname } = new URL(request.url)
      const own = ['projects', 'marks'].some(part =>
        pathname.startsWith(`/kept/${part}/${encodeURIComponent(id)}/`),
      )
      if (own || photos.some(photo => pathname === photoKey(photo))) await cache.delete(request)
    }
  })

/**
 * Puts back projects that the database no longer has, and the one that is `open` where it is older there than it was
 * last shown as kept; their names. Edits that could be undone are gone.
 */
export async function putBack(open: string | undefined): Promise<string[]> {
  const back: string[] = []
  await quietly(async cache => {
    const there = new Set(await db.projects.toCollection().primaryKeys())
    const entries = await Promise.all(
      (await cache.keys()).map(async request => ({
        path: new URL(request.url).pathname.split('/'),
        answer: (await cache.match(request))!,
      })),
    )
    const of = (part: string) => entries.filter(({ path }) => path[2] === part)
    const copies = of('projects')
      .map(({ answer }) => ({ answer, ...aboutOf(answer) }))
      .filter(({ project }) => !there.has(project) || project === open)
      .sort((a, b) => b.revision! - a.revision!)
    for (const project of new Set(copies.map(copy => copy.project))) {
      const name = await newestOf(copies.filter(copy => copy.project === project))
      if (name === null) continue
      back.push(name)
      for (const { answer } of of('marks'))
        if (aboutOf(answer).project === project) await markBack((await answer.json()) as MarkRecord)
      for (const { path, answer } of of('photos'))
        if (aboutOf(answer).project === project)
          await photoBack(decodeURIComponent(path[3]!), project, answer)
    }
  })
  return back
}

/** The first of several copies that is whole goes back, where it is newer than what is there; its name. */
async function newestOf(copies: ReadonlyArray<{ answer: Response }>): Promise<string | null> {
  for (const { answer } of copies) {
    let copy: Copied
    try {
      copy = (await answer.json()) as Copied
      copy.doc = checkProject(copy.doc)
    } catch {
      // Cut off while it was written: the one before stands beside it.
      continue
    }
    return (await restored(copy)) ? copy.name : null
  }
  return null
}

/** Whether it was newer than what is there. */
const restored = (copy: Copied): Promise<boolean> =>
  db.transaction('rw', db.projects, async () => {
    const stored = await db.projects.get(copy.id)
    if (stored && !(stored.revision < copy.revision)) return false
    await db.projects.put({ ...copy, done: [], undone: [] })
    return true
  })

async function markBack({ id: _, ...mark }: MarkRecord): Promise<void> {
  await db.transaction('rw', db.marks, async () => {
    const there = await db.marks.where('project').equals(mark.project).toArray()
    // Numbers are given anew: what came from which is not known then.
    if (!there.some(item => item.at === mark.at)) await db.marks.add({ ...mark, parent: null })
  })
}

async function photoBack(id: string, project: string, answer: Response): Promise<void> {
  if (await db.photos.get(id)) return
  await db.photos.put({ id, project, type: 'image/jpeg', bytes: await answer.arrayBuffer(), at: Date.now() })
}
