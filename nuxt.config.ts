import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import license, { type Dependency } from 'rollup-plugin-license'
import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'

/** The core's hot loops index typed arrays inside their bounds; its own tsconfig says the same. */
const indexed = { noUncheckedIndexedAccess: false }

/** The server's thread is a file of its own in the build; `virtual:assess-worker` is its address. */
const ASSESS_WORKER = 'virtual:assess-worker'
const assessWorker = {
  name: 'assess-worker',
  resolveId: (id: string) => (id === ASSESS_WORKER ? `\0${ASSESS_WORKER}` : null),
  load(this: { emitFile(file: object): string }, id: string) {
    if (id !== `\0${ASSESS_WORKER}`) return null
    this.emitFile({
      type: 'chunk',
      id: fileURLToPath(new URL('server/workers/assess.worker.ts', import.meta.url)),
      fileName: 'assess-worker.mjs',
    })
    // Nitro has one module address for all of the server: its entry's, beside which the thread lies.
    return "export default new URL('assess-worker.mjs', import.meta.url).href"
  },
}

/**
 * What is taken into the build of one side, written down for `npm run licences`; nothing in any other build.
 * Fonts come in by style sheets, which this does not see: the script adds them.
 */
let builds = 0
const shipped = (side: string) =>
  process.env.MARIPOSA_LICENCES
    ? [
        license({
          thirdParty: {
            includePrivate: false,
            output: (dependencies: Dependency[]) => {
              mkdirSync('reports', { recursive: true })
              writeFileSync(`reports/shipped-${side}-${++builds}.json`, JSON.stringify(dependencies))
            },
          },
        }) as never,
      ]
    : []

export default defineNuxtConfig({
  // The core says itself what it takes in: a name of a composable must not slip into its sentences.
  imports: { transform: { exclude: [/[\\/]core[\\/]/] } },
  compatibilityDate: '2026-01-01',
  ssr: false,
  srcDir: 'app',
  telemetry: false,
  devtools: { enabled: false },
  modules: [
    '@pinia/nuxt',
    (_options, nuxt) => {
      nuxt.hooks.hook('vite:extendConfig', (config, { isClient }) => {
        // Vuetify's components and styles are taken in where they are used.
        config.plugins!.push(vuetify({ autoImport: true }) as never)
        // Without rendering on the server, `nuxt dev` looks for its entry in the page's configuration all the same.
        if (nuxt.options.dev && isClient) {
          const input = { server: join(nuxt.options.appDir, 'entry-spa.js') }
          const ssr = { build: { rollupOptions: { input } } }
          Object.assign(config, { environments: { ...config.environments, ssr } })
        }
      })
    },
  ],
  components: [{ path: '~/components', pathPrefix: false }],
  build: { transpile: ['vuetify'] },
  css: [
    '@fontsource-variable/atkinson-hyperlegible-next/wght.css',
    '@fontsource/spline-sans-mono/400.css',
    '@fontsource/spline-sans-mono/500.css',
    '~/assets/main.css',
  ],
  app: {
    head: {
      title: 'Mariposa',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'Design bench for 3D-printed model aircraft' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/mariposa.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
        { rel: 'apple-touch-icon', href: '/mariposa-192.png' },
      ],
    },
  },
  vite: {
    worker: { format: 'es', plugins: () => shipped('worker') },
    plugins: shipped('page'),
    optimizeDeps: { exclude: ['manifold-3d'] },
    vue: { template: { transformAssetUrls } },
    build: { chunkSizeWarningLimit: 1500, target: 'es2022' },
  },
  nitro: {
    typescript: { tsConfig: { compilerOptions: indexed } },
    rollupConfig: { plugins: [assessWorker, ...shipped('server')] },
  } as never,
  $production: { nitro: { entry: fileURLToPath(new URL('server/entry.ts', import.meta.url)) } },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: indexed },
    nodeTsConfig: { compilerOptions: indexed },
    sharedTsConfig: { compilerOptions: indexed },
  },
})
