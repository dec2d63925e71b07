/**
 * What the second worker says of the newest document: asked after a short rest, and only the newest answer
 * counts.
 */
import type { ProjectFile } from '../../core/document'
import type { CoreApi } from '~/workers/core.worker'
import type { Remote } from 'comlink'
import { useBench } from './useBench'
import { useCore } from './useCore'

/** Dragging and typing are not followed step by step, ms. */
const REST_MS = 250

/** `also` is what else the question depends on; plain values, compared as they are. */
export function useAside<T, K = null>(
  ask: (core: Remote<CoreApi>, doc: ProjectFile) => Promise<T>,
  also: () => K = () => null as K,
  rest = REST_MS,
) {
  const { doc } = useBench()
  const core = useCore('aside')
  const answer = shallowRef<T | null>(null) as Ref<T | null>
  const busy = ref(false),
    fault = ref('')
  /** The document that the answer belongs to, and what else it was asked for. */
  const of = shallowRef<ProjectFile | null>(null)
  const askedFor = shallowRef<K | null>(null) as Ref<K | null>
  let asked = 0
  async function refresh() {
    const own = ++asked
    busy.value = true
    await new Promise(resolve => setTimeout(resolve, rest))
    if (own !== asked) return
    const subject = toRaw(doc.value),
      extra = also()
    try {
      const next = await ask(core, subject)
      if (own !== asked) return
      answer.value = next
      of.value = subject
      askedFor.value = extra
      fault.value = ''
    } catch (error) {
      if (own === asked) fault.value = (error as Error).message
    } finally {
      if (own === asked) busy.value = false
    }
  }
  watch([doc, also], refresh, { immediate: true })
  onScopeDispose(() => {
    asked++
  })
  /** What is shown is of the design as it stands, and of what is asked for now. */
  const fresh = computed(() => of.value === toRaw(doc.value) && askedFor.value === also())
  return { answer, busy, fault, of, askedFor, fresh }
}
