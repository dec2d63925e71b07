/** `npm run bench`. */
import { build, fail, installBrowser, installPackages, run } from './lib.mjs'

installPackages()
installBrowser()
if (build() !== 0) fail('The build failed: see above.')
process.exit(run('npx', ['tsx', 'tests/bench/bench.ts']).status)
