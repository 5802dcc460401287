// Writes the type of every key of the catalogue, so that a sentence that is not there does not build.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath, URL } from 'node:url'

const path = (from) => fileURLToPath(new URL(from, import.meta.url))
const keys = [...readFileSync(path('../../locales/en/page.ftl'), 'utf-8').matchAll(/^([a-z][a-z0-9_-]*) =/gm)].map(([, key]) => `  | '${key}'`)
mkdirSync(path('../src/locales/generated'), { recursive: true })
writeFileSync(path('../src/locales/generated/keys.d.ts'), `export type Key =\n${keys.join('\n')}\n`)
