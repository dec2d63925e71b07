import 'vuetify/styles'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { night, paper, sun } from '~/theme/vuetify-theme'

export default defineNuxtPlugin(nuxtApp => {
  nuxtApp.vueApp.use(
    createVuetify({
      theme: { defaultTheme: 'paper', themes: { paper, night, sun } },
      icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
      defaults: {
        VTextField: { density: 'compact', variant: 'outlined', hideDetails: 'auto' },
        VSelect: { density: 'compact', variant: 'outlined', hideDetails: 'auto' },
        VAutocomplete: { density: 'compact', variant: 'outlined', hideDetails: 'auto' },
        VTextarea: { density: 'compact', variant: 'outlined', hideDetails: 'auto', rows: 2, autoGrow: true },
        VBtn: { variant: 'outlined', size: 'small', class: 'text-none' },
        VCheckbox: { density: 'compact', hideDetails: true, color: 'primary' },
        VSwitch: { density: 'compact', hideDetails: true, color: 'primary' },
      },
    }),
  )
})
