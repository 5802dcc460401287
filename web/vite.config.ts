import { fileURLToPath, URL } from 'node:url'
import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  // A line break between words is a space, as the formatter (and HTML) takes it.
  plugins: [
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    vuetify({ autoImport: true }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { target: 'es2022', modulePreload: { polyfill: false }, chunkSizeWarningLimit: 900 },
  server: { fs: { allow: ['..'] }, proxy: { '/api': 'http://127.0.0.1:8000' } },
  test: { environment: 'happy-dom', server: { deps: { inline: ['vuetify'] } } },
})
