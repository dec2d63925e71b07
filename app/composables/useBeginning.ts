/** The brief that a project begins with, and the layouts that were made of it; kept while other pages are looked at. */
import { useStorage } from '@vueuse/core'
import { proxy } from 'comlink'
import {
  PURPOSES,
  ranked,
  readWishes,
  type Begun,
  type Beginning,
  type LayoutId,
  type Wishes,
} from '../../core/begin'
import { DocumentError } from '../../core/document'
import { useDrawer } from '~/stores/drawer'
import type { BeginningNow } from '~/workers/core/choosing'
import { useCore, type CoreName } from './useCore'

/** What the maker says; what is not said is null, and the purpose's habit takes its place. */
export type Said = Omit<Wishes, 'drawer' | 'printers' | 'filaments'>
/** What lies at hand, for all projects. */
export type AtHand = Pick<Wishes, 'drawer' | 'printers' | 'filaments'>

const FIRST = readWishes({ purpose: 'gentle' })
const said = useStorage<Said>(
  'mariposa-brief',
  (({ drawer: _d, printers: _p, filaments: _f, ...rest }) => rest)(FIRST),
  undefined,
  { mergeDefaults: true },
)
const atHand = useStorage<AtHand>(
  'mariposa-at-hand',
  {
    drawer: FIRST.drawer,
    printers: [{ name: 'Printer', bedMm: [220, 220, 250] }],
    filaments: [],
  },
  undefined,
  { mergeDefaults: true },
)
interface Part {
  name: CoreName
  kinds: readonly LayoutId[]
  share: number
  ready: Begun[]
}
const WORKERS: readonly CoreName[] = ['study', 'aside']

const now = shallowRef<{ share: number; label: string } | null>(null)
const ready = shallowRef<Begun[]>([])
const refused = shallowRef<Beginning['refused']>([])
/** All of them were sized. */
const done = ref(false)
/** What the layouts on screen were made of. */
const askedAs = ref('')
const fault = ref('')
let stopped = false,
  own = 0

/** Parts of one's own go along with what names them. */
function wishesNow(): string {
  const { drawer } = atHand.value
  const named = new Set([...drawer.motors, ...drawer.propellers, ...drawer.batteries, ...drawer.servos])
  const parts = useDrawer()
    .own.filter(({ id }) => named.has(id))
    .map(({ group: _, ...part }) => part)
  return JSON.stringify({ ...said.value, ...atHand.value, drawer: { ...drawer, own: parts } })
}

export function useBeginning() {
  async function run() {
    const mine = ++own
    stopped = false
    fault.value = ''
    ready.value = []
    refused.value = []
    done.value = false
    const asked = wishesNow()
    askedAs.value = asked
    try {
      const wishes = readWishes(JSON.parse(asked))
      // Two workers, every other layout each.
      const { layouts: kinds } = PURPOSES[wishes.purpose]
      const parts = WORKERS.map((name, i): Part => ({
        name,
        kinds: kinds.filter((_, k) => k % WORKERS.length === i),
        share: 0,
        ready: [],
      }))
      now.value = { share: 0, label: '' }
      const told = (part: Part) => (state: BeginningNow) => {
        if (mine !== own) return false
        part.share = state.share
        if (state.ready) {
          part.ready = state.ready
          ready.value = ranked(parts.flatMap(item => item.ready))
        }
        now.value = {
          share: parts.reduce((sum, item) => sum + item.share * item.kinds.length, 0) / kinds.length,
          label: state.label,
        }
        return !stopped
      }
      const found = await Promise.all(
        parts.map(part => useCore(part.name).beginning(wishes, [...part.kinds], proxy(told(part)))),
      )
      if (mine !== own || found.includes(null)) return
      ready.value = ranked(found.flatMap(item => item!.layouts))
      refused.value = found.flatMap(item => item!.refused)
      done.value = true
    } catch (error) {
      if (mine === own)
        fault.value =
          error instanceof DocumentError
            ? `The brief cannot be read: ${error.message}`
            : (error as Error).message
    } finally {
      if (mine === own) now.value = null
    }
  }
  return {
    said,
    atHand,
    now,
    ready,
    refused,
    done,
    fault,
    run,
    halt: () => {
      stopped = true
    },
    /** The brief says something else by now. */
    stale: computed(() => askedAs.value !== '' && askedAs.value !== wishesNow()),
  }
}
