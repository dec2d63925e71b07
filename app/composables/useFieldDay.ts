/** Today's figures of the open aircraft, asked for once however many places show them. */
import { createSharedComposable } from '@vueuse/core'
import { useAside } from './useAside'

export const useFieldDay = createSharedComposable(() => useAside((core, doc) => core.fieldDay(doc)))
