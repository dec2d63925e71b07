/** After the first picture and the first verdicts: what is kept for later must not hold up what is wanted now. */
const REST_MS = 4000

export default defineNuxtPlugin(nuxt => {
  nuxt.hook('app:mounted', () => {
    const later = () => setTimeout(() => startOffline(), REST_MS)
    if (document.readyState === 'complete') later()
    else window.addEventListener('load', later, { once: true })
  })
})
