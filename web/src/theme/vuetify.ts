// One place for the component library: its own theme is off (no inline styles), its defaults are plain.
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { say } from '@/locales/say'

const field = { variant: 'outlined', density: 'compact', hideDetails: 'auto' } as const
/** The library's own few words come from our catalogue, so it is made once that is known. */
const words = () => ({
  open: say('lib-open'),
  close: say('keys-close'),
  noDataText: say('lib-nothing'),
  input: {
    clear: say('lib-clear', { what: '{0}' }),
    prependAction: say('lib-action', { what: '{0}' }),
    appendAction: say('lib-action', { what: '{0}' }),
  },
  fileInput: { counter: '{0}', counterSize: '{0} ({1})' },
  datePicker: {
    title: say('calendar-day'),
    header: say('calendar-day'),
    itemsSelected: '{0}',
    input: { placeholder: '' },
    ariaLabel: {
      previousMonth: say('lib-month-before'),
      nextMonth: say('lib-month-after'),
      previousYear: say('lib-year-before'),
      nextYear: say('lib-year-after'),
      selectMonth: say('lib-month'),
      selectYear: say('lib-year'),
      selectDate: '{0}',
      currentDate: '{0}',
    },
  },
})
export const makeVuetify = () =>
  createVuetify({
    locale: { locale: 'own', messages: { own: words() } },
    date: {
      locale: {
        own: document.documentElement.lang === 'en' ? 'en-GB' : document.documentElement.lang,
      },
    },
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
    },
  })
