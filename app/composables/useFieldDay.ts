/** Today's figures of the open aircraft, asked for once however many places show them. */
import { useAside } from './useAside'

export const useFieldDay = () => useAside((core, doc) => core.fieldDay(doc))
