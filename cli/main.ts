/**
 * `npm run -s cli -- VERB [FILE] [--option value]`: one JSON object out, or one line on standard error and
 * exit 2.
 */
import { answer } from './answer'

const { status, out, err } = await answer(process.argv.slice(2), 0)
process.stdout.write(out)
process.stderr.write(err)
process.exitCode = status
