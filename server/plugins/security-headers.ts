/**
 * Security headers on every response. Inline scripts of the page's own template are admitted by their hash.
 */
import { createHash } from 'node:crypto'

const BASE: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
}

/** Vuetify writes its theme into a style element at run time, so styles may be inline; scripts may not. */
const policy = (scriptHashes: readonly string[]) =>
  [
    "default-src 'self'",
    `script-src ${["'self'", "'wasm-unsafe-eval'", ...scriptHashes].join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')

export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('request', event => {
    setResponseHeaders(event, { ...BASE, 'content-security-policy': policy([]) })
  })
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (typeof response.body !== 'string') return
    const inline = [...response.body.matchAll(/<script(?![^>]*\bsrc=)([^>]*)>([\s\S]*?)<\/script>/g)].filter(
      ([, attributes]) => !/type="application\/json"/.test(attributes),
    )
    const hashes = inline.map(
      ([, , text]) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`,
    )
    setResponseHeader(event, 'content-security-policy', policy(hashes))
    // The page names its assets by their content: an old one would ask for what is gone.
    response.headers = { ...response.headers, 'cache-control': 'no-cache' }
    delete response.headers['x-powered-by']
  })
})
