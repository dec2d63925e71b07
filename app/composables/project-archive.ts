/** A project with its pictures as one archive: `project.json` and `photos/*.jpg`, nothing else is looked at. */
import { unzip, zip } from 'fflate'
import { DocumentError, MAX_PROJECT_BYTES, writeProject, type ProjectFile } from '../../core/document'
import { photoFiles } from '~/composables/photos'

/** Of a shrunk picture, and of all of them, bytes. */
const MOST_PICTURE = 6_000_000
const MOST_PICTURES = 400_000_000
const PROJECT = 'project.json'
const PICTURE = /^photos\/[\w-]{1,60}\.jpg$/

export async function projectArchive(doc: ProjectFile): Promise<Uint8Array> {
  const photos = await photoFiles([
    ...doc.build.notes.flatMap(note => note.photos),
    ...doc.tracings.map(item => item.photo),
  ])
  const files: Record<string, Uint8Array> = {
    [PROJECT]: new TextEncoder().encode(writeProject(doc)),
    ...Object.fromEntries(photos.map(photo => [`photos/${photo.id}.jpg`, photo.bytes])),
  }
  return new Promise((resolve, reject) =>
    zip(files, { level: 4 }, (error, data) => (error ? reject(error) : resolve(data))),
  )
}

const isArchive = (head: Uint8Array) => head[0] === 0x50 && head[1] === 0x4b

/** A project file, alone or in an archive with pictures. What is too large is refused before it is unpacked. */
export async function unpacked(file: File): Promise<{ text: string; photos: Record<string, Uint8Array> }> {
  if (!isArchive(new Uint8Array(await file.slice(0, 2).arrayBuffer()))) {
    refuseOver(file.size, MAX_PROJECT_BYTES)
    return { text: await file.text(), photos: {} }
  }
  refuseOver(file.size, MOST_PICTURES)
  let pictures = 0
  const bytes = new Uint8Array(await file.arrayBuffer())
  const files = await new Promise<Record<string, Uint8Array>>((resolve, reject) =>
    unzip(
      bytes,
      {
        filter: ({ name, originalSize }) => {
          if (name === PROJECT) return originalSize <= MAX_PROJECT_BYTES
          pictures += PICTURE.test(name) ? originalSize : 0
          return PICTURE.test(name) && originalSize <= MOST_PICTURE && pictures <= MOST_PICTURES
        },
      },
      (error, data) =>
        error ? reject(new DocumentError('', 'the archive is damaged or cut short')) : resolve(data),
    ),
  )
  const { [PROJECT]: project, ...photos } = files
  if (!project) throw new DocumentError('', `the archive holds no ${PROJECT} of a size that can be read`)
  return { text: new TextDecoder().decode(project), photos }
}

function refuseOver(size: number, most: number): void {
  if (size > most)
    throw new DocumentError(
      '',
      `${(size / 1e6).toFixed(1)} MB is too large; a project file has at most ${most / 1e6} MB`,
    )
}
