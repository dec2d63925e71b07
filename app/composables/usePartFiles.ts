/** Part files that an aircraft is to be made of: read, sorted, and what they come to as one. */
import { guessRole, type PartRole, type SortedPart } from '../../core/begin'
import { refuseTooLarge, refuseTooMany } from '../../core/workshop/export'
import type { PartsAsAircraft } from '~/workers/core/choosing'
import { useCore } from './useCore'

const parts = shallowRef<readonly SortedPart[]>([])
const name = ref('')
const found = shallowRef<PartsAsAircraft | null>(null)
const fault = ref('')
const busy = ref(false)
let asked = 0

export function usePartFiles() {
  const core = useCore('aside')
  async function bring(files: readonly File[]) {
    fault.value = ''
    busy.value = true
    const taken: SortedPart[] = []
    let reading = ''
    try {
      for (const file of files) {
        reading = file.name.slice(0, 60)
        refuseTooLarge(file)
        const read = await core.readGiven(file.name, new Uint8Array(await file.arrayBuffer()))
        taken.push(...read.map(part => ({ ...part, role: guessRole(part) })))
      }
      const all = [...parts.value, ...taken]
      refuseTooMany(all)
      parts.value = all
    } catch (error) {
      fault.value = `${reading}: ${(error as Error).message}. None of what you chose was taken.`
    } finally {
      busy.value = false
    }
    await reckon()
  }
  /** Takes a part for something else. */
  async function take(index: number, role: PartRole) {
    parts.value = parts.value.map((part, i) => (i === index ? { ...part, role } : part))
    await reckon()
  }
  async function leaveOut(index: number) {
    parts.value = parts.value.filter((_, i) => i !== index)
    await reckon()
  }
  function forget() {
    parts.value = []
    found.value = null
    fault.value = name.value = ''
  }
  /** What they come to; an answer that a newer question has overtaken is dropped. */
  async function reckon() {
    const own = ++asked
    found.value = null
    if (!parts.value.length) return
    busy.value = true
    try {
      const answer = await core.partsAsAircraft(name.value, [...parts.value])
      if (own !== asked) return
      found.value = answer
      fault.value = ''
    } catch (error) {
      if (own === asked) fault.value = `${(error as Error).message}.`
    } finally {
      if (own === asked) busy.value = false
    }
  }
  return { parts, name, found, fault, busy, bring, take, leaveOut, forget }
}
