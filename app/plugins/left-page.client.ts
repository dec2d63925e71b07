/**
 * A page that is left may be kept whole by the browser, to be shown again on the way back. Its computing
 * parts end with its leaving (a browser was seen to crash on a kept page whose workers were still at it);
 * when it is shown again it begins anew from the store, or, where something could not be kept, computes again
 * what stands in it.
 */
import { endAll } from '~/composables/useCore'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'

export default defineNuxtPlugin(() => {
  window.addEventListener('pagehide', event => {
    if (event.persisted) endAll('the page was left')
  })
  window.addEventListener('pageshow', event => {
    if (!event.persisted) return
    if (useProject().unkept) useAssessment().retry()
    else location.reload()
  })
})
