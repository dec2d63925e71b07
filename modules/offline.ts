/**
 * The service worker, written when a production build has laid out its files: everything that the page may ask for
 * is kept in the browser at the first visit, each build under a name of its own, so that an open page goes on with
 * the files that it came with while the next ones wait.
 */
import { createHash } from 'node:crypto'
import { defineNuxtModule } from 'nuxt/kit'
import { generateSW, getManifest, type GetManifestOptions } from 'workbox-build'

/** The greatest is the geometry kernel; nothing that belongs to the application may be left out for its size. */
const GREATEST = 20_000_000

export default defineNuxtModule({
  meta: { name: 'offline' },
  setup(_options, nuxt) {
    if (nuxt.options.dev) return
    nuxt.hook('nitro:init', nitro => {
      nuxt.hook('nitro:build:public-assets', async () => {
        const globDirectory = nitro.options.output.publicDir
        const files: GetManifestOptions = {
          globDirectory,
          globPatterns: ['**/*'],
          globIgnores: ['sw.js', '**/*.map', '**/*.LEGAL.txt', '_nuxt/builds/**'],
          maximumFileSizeToCacheInBytes: GREATEST,
          // Their names say what is in them.
          dontCacheBustURLsMatching: /^_nuxt\//,
        }
        const { manifestEntries, warnings } = await getManifest(files)
        if (warnings.length) throw new Error(`Not kept for use without a network: ${warnings.join('; ')}`)
        const version = createHash('sha256')
          .update(JSON.stringify(manifestEntries))
          .digest('hex')
          .slice(0, 12)
        await generateSW({
          ...files,
          swDest: `${globDirectory}/sw.js`,
          inlineWorkboxRuntime: true,
          sourcemap: false,
          cacheId: `mariposa-${version}`,
          additionalManifestEntries: [{ url: '/', revision: version }],
          navigateFallback: '/',
          navigateFallbackDenylist: [/^\/api\//],
          // The maker says when; until then the open pages keep what they have.
          skipWaiting: false,
          clientsClaim: false,
          runtimeCaching: [
            {
              // What a page of an older build asks for is in that build's own store.
              urlPattern: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_nuxt/'),
              handler: async ({ request }) => (await caches.match(request)) ?? fetch(request),
            },
          ],
        })
      })
    })
  },
})
