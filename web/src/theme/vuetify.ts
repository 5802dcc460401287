// One place for the component library: its own theme is off (no inline styles), its defaults are plain.
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

const field = { variant: 'outlined', density: 'compact', hideDetails: 'auto' } as const
export const vuetify = createVuetify({
  theme: false,
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  defaults: {
    global: { ripple: false, elevation: 0, rounded: 0 },
    VBtn: { variant: 'outlined', height: 40 },
    VTextField: field,
    VTextarea: field,
    VSelect: { ...field, menuProps: { maxHeight: 420 } },
    VAutocomplete: field,
    VNumberInput: { ...field, controlVariant: 'stacked', inset: true },
    VFileInput: field,
    VSwitch: { hideDetails: true, inset: false, density: 'compact' },
    VCheckbox: { hideDetails: true, density: 'compact' },
    VSlider: { hideDetails: true, density: 'compact', thumbSize: 16, trackSize: 3 },
    VSnackbar: { location: 'bottom', timeout: 12000 },
  },
})
