/**
 * `npm run typecheck`. What has no templates is checked by the native compiler, in a fifth of the time; components ask
 * for one that reads them.
 */
import { pathToFileURL } from 'node:url'
import { run } from './lib.mjs'

const native = name => ['node', 'node_modules/typescript-native/bin/tsc', '--noEmit', '-p', name]

/** Name, command and arguments. The last three read the folder that `nuxt prepare` and the build make. */
export const TYPES = {
  core: ['types: core without DOM', ...native('core/tsconfig.json')],
  cli: ['types: command line, tests and scripts', ...native('cli/tsconfig.json')],
  server: ['types: server', ...native('.nuxt/tsconfig.server.json')],
  node: ['types: configuration and build', ...native('.nuxt/tsconfig.node.json')],
  app: ['types: application', 'npx', 'vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.app.json'],
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  let status = run('npx', ['nuxt', 'prepare']).status
  for (const [name, command, ...args] of Object.values(TYPES)) {
    console.log(`== ${name}`)
    status ||= run(command, args).status
  }
  process.exit(status)
}
