import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource/asap-condensed/latin-600.css'
import './theme/base.css'
import './theme/overrides.css'
import './theme/score.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { queryClient } from './api/queries'
import { router } from './router'
import { vuetify } from './theme/vuetify'

createApp(App).use(VueQueryPlugin, { queryClient }).use(router).use(vuetify).mount('#app')
