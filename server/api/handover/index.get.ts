/** Whether projects can be handed over through this machine. */
import { handover } from '../../utils/handover'

export default defineEventHandler(() => ({ open: handover() !== null }))
