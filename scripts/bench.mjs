/** `npm run bench`, or a part of it by name: `npm run bench -- trace`. */
import { build, fail, installBrowser, installPackages, run } from './lib.mjs'

installPackages()
installBrowser()
if (build() !== 0) fail('The build failed: see above.')
process.exit(run('npx', ['tsx', 'tests/bench/bench.ts', ...process.argv.slice(2)]).status)
