/** After the first picture: what is kept for later must not hold up what is wanted now. */
export default defineNuxtPlugin(nuxt => {
  nuxt.hook('app:mounted', () => {
    if (document.readyState === 'complete') startOffline()
    else window.addEventListener('load', () => startOffline(), { once: true })
  })
})
