import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource/asap-condensed/latin-600.css'
import './theme/base.css'
import './theme/overrides.css'
import './theme/score.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { queryClient } from './api/queries'
import { fluent, speak } from './locales/say'
import { router } from './router'
import { makeVuetify } from './theme/vuetify'

// The server says in the page itself which language it speaks; English is built in.
const language = document.documentElement.lang
if (language !== 'en') {
  const other = await fetch('/locales/page.ftl').catch(() => undefined)
  if (other?.ok) speak(language, await other.text())
}
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined) // without it everything works but offline
createApp(App)
  .use(VueQueryPlugin, { queryClient })
  .use(router)
  .use(makeVuetify())
  .use(fluent)
  .mount('#app')
