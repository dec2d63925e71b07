/** The computing part is loaded beside the page itself: on two cores it is there when the project is. */
import { startEarly } from '~/composables/useCore'

export default defineNuxtPlugin({
  name: 'early',
  enforce: 'pre',
  setup: startEarly,
})
