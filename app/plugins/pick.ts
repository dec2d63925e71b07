import type { Directive } from 'vue'

/**
 * `v-pick="() => …"`: a row of a table, or anything that is no button, pressed like one: by pointer, Enter and
 * Space, and named as one to screen readers.
 */
const acts = new WeakMap<HTMLElement, () => void>()
const pick: Directive<HTMLElement, (() => void) | null> = {
  mounted(el, { value }) {
    put(el, value)
    el.addEventListener('click', () => acts.get(el)?.())
    el.addEventListener('keydown', event => {
      if (event.target !== el || (event.key !== 'Enter' && event.key !== ' ')) return
      event.preventDefault()
      acts.get(el)?.()
    })
  },
  updated(el, { value }) {
    put(el, value)
  },
}
function put(el: HTMLElement, value: (() => void) | null) {
  if (value) {
    acts.set(el, value)
    el.tabIndex = 0
    el.setAttribute('role', 'button')
  } else {
    acts.delete(el)
    el.removeAttribute('tabindex')
    el.removeAttribute('role')
  }
}

export default defineNuxtPlugin(nuxt => {
  nuxt.vueApp.directive('pick', pick)
})
