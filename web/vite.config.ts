import { fileURLToPath, URL } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  // A line break between words is a space, as the formatter (and HTML) takes it.
  plugins: [
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    vuetify({ autoImport: true }),
    // The page itself comes with the language it speaks from the server, so it is not among what is laid up beforehand.
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'sw.ts',
      registerType: 'prompt',
      injectRegister: null,
      injectManifest: {
        globPatterns: ['**/*.{js,css,woff2,svg}', 'sounds/*'],
        globIgnores: ['**/index.html'],
        maximumFileSizeToCacheInBytes: 6_000_000,
      },
      manifest: {
        name: 'Kopje',
        short_name: 'Kopje',
        description: 'Music lessons, planned, taught and heard',
        start_url: '/',
        display: 'standalone',
        background_color: '#ece9e1',
        theme_color: '#4a4391',
        icons: [{ src: '/favicon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
    }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { target: 'es2022', modulePreload: { polyfill: false }, chunkSizeWarningLimit: 900 },
  server: { fs: { allow: ['..'] }, proxy: { '/api': 'http://127.0.0.1:8000' } },
  test: { environment: 'happy-dom', server: { deps: { inline: ['vuetify'] } } },
})
