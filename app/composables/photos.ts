/** Pictures of the build: shrunk as they come in, kept in the browser's store, carried beside the project in a zip. */
import { db } from '~/db/database'
import { copyPhoto } from '~/db/second-copy'

/** Longest side, px; a bench picture tells no more. */
const LONGEST = 1400
const QUALITY = 0.8
/** A file beyond this is no picture from a phone, bytes. */
const MOST_BYTES = 40_000_000

async function shrunk(file: Blob): Promise<Blob> {
  if (file.size > MOST_BYTES) throw new Error('larger than 40 MB')
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    throw new Error('not a picture that this browser can read; JPEG, PNG and WebP can be')
  }
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height))
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  )
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
}

/** Its id, once it is stored. */
export async function addPhoto(project: string, file: Blob): Promise<string> {
  const picture = await shrunk(file)
  const id = `photo-${crypto.randomUUID().slice(0, 18)}`
  const photo = { id, project, type: picture.type, bytes: await picture.arrayBuffer(), at: Date.now() }
  await db.photos.put(photo)
  await copyPhoto(photo)
  return id
}

/** To show it; null where it is not in this browser. */
export async function photoUrl(id: string): Promise<string | null> {
  const found = await db.photos.get(id)
  return found ? URL.createObjectURL(new Blob([found.bytes], { type: found.type })) : null
}

/** Of the pictures asked for those that are here. */
export async function photoFiles(ids: readonly string[]): Promise<Array<{ id: string; bytes: Uint8Array }>> {
  const found = await db.photos.bulkGet([...ids])
  return found.flatMap(photo => (photo ? [{ id: photo.id, bytes: new Uint8Array(photo.bytes) }] : []))
}

/** Pictures that came with a project; what is no picture is left out. */
export async function restorePhotos(project: string, files: Record<string, Uint8Array>): Promise<void> {
  for (const [name, bytes] of Object.entries(files)) {
    const id = /^photos\/(photo-[A-Za-z0-9-]{1,40})\.jpg$/.exec(name)?.[1]
    if (!id || bytes[0] !== 0xff || bytes[1] !== 0xd8) continue
    const photo = { id, project, type: 'image/jpeg', bytes: bytes.slice().buffer, at: Date.now() }
    await db.photos.put(photo)
    await copyPhoto(photo)
  }
}
