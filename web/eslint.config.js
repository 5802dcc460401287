import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'

const features = ['strip', 'songs', 'lesson', 'teach', 'ledger', 'setup', 'year']
const inward = (files, group, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
})

export default defineConfigWithVueTs(
  { ignores: ['src/**/generated/**', 'dist/**'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.strict,
  prettier,
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/no-v-html': 'error',
      '@typescript-eslint/no-invalid-void-type': 'off',
    },
  },
  // The score is SVG that our own server drew; it is the one place where markup is set as such.
  { files: ['src/components/ScoreView.vue'], rules: { 'vue/no-v-html': 'off' } },
  inward(
    ['src/components/**', 'src/composables/**'],
    ['@/api/*', '@/features/*', '@/pages/*'],
    'Components know neither api nor features.',
  ),
  ...features.map((name) =>
    inward(
      [`src/features/${name}/**`],
      ['@/pages/*', ...features.filter((f) => f !== name).map((f) => `@/features/${f}/*`)],
      'A feature never reaches into another.',
    ),
  ),
)
