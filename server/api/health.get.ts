/** Is the application up, and which version? */
import { version } from '../../package.json'

export default defineEventHandler(() => ({ status: 'ok', version }))
