// One place for the component library: its own theme is off (no inline styles), its defaults are plain.
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

export const vuetify = createVuetify({
  theme: false,
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  defaults: {
    global: { ripple: false, elevation: 0, rounded: 0 },
    VBtn: { variant: 'outlined', height: 40 },
    VTextField: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VSwitch: { hideDetails: true, inset: false, density: 'compact' },
    VCheckbox: { hideDetails: true, density: 'compact' },
  },
})
