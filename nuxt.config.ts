import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'

/** The core's hot loops index typed arrays inside their bounds; its own tsconfig says the same. */
const indexed = { noUncheckedIndexedAccess: false }

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  srcDir: 'app',
  telemetry: false,
  devtools: { enabled: false },
  modules: [
    '@pinia/nuxt',
    (_options, nuxt) => {
      nuxt.hooks.hook('vite:extendConfig', config => {
        // Vuetify's components and styles are taken in where they are used.
        config.plugins!.push(vuetify({ autoImport: true }) as never)
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
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mariposa.svg' }],
    },
  },
  vite: {
    worker: { format: 'es' },
    optimizeDeps: { exclude: ['manifold-3d'] },
    vue: { template: { transformAssetUrls } },
    build: { chunkSizeWarningLimit: 1500, target: 'es2022' },
  },
  nitro: { typescript: { tsConfig: { compilerOptions: indexed } } },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: indexed },
    nodeTsConfig: { compilerOptions: indexed },
    sharedTsConfig: { compilerOptions: indexed },
  },
})
