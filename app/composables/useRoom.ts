/** Tray and bench of the station that is looked at, fetched when it is first visited. */
import { computed, shallowRef, watch, type Component, type Ref } from 'vue'
import { STATIONS, type StationId } from '~/stations/path'
import { ROOMS } from '~/stations/rooms'
import { fetched, rest, type Fetched } from './fetched'

interface Furniture {
  tray: Component
  bench: Component
}
const furnished = new Map<StationId, Fetched<Furniture>>(
  STATIONS.map(({ id }) => [
    id,
    fetched(async () => {
      const [tray, bench] = await Promise.all([ROOMS[id].tray(), ROOMS[id].bench()])
      return { tray: tray.default, bench: bench.default }
    }),
  ]),
)

/** Every room is there: nothing more is asked of the server. */
const whole = shallowRef(false)

export function useRoom(station: Ref<StationId>) {
  const own = computed(() => furnished.get(station.value)!)
  watch(own, room => room.fetch(), { immediate: true })
  return {
    furniture: computed(() => own.value.part.value),
    whole,
    bare: computed(() => own.value.failed.value),
    fetchAgain: () => own.value.fetch(),
    /** The other rooms, one by one: a server that goes takes no station away. */
    async fetchRest() {
      await rest()
      for (const room of furnished.values()) await room.fetch()
      whole.value = [...furnished.values()].every(room => room.part.value)
    },
  }
}
