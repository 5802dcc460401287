// Writes the type of every key of the catalogue, so that a sentence that is not there does not build.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath, URL } from 'node:url'

const path = (from) => fileURLToPath(new URL(from, import.meta.url))
const keys = [...readFileSync(path('../../locales/en/page.ftl'), 'utf-8').matchAll(/^([a-z][a-z0-9_-]*) =/gm)].map(([, key]) => `  | '${key}'`)
mkdirSync(path('../src/locales/generated'), { recursive: true })
writeFileSync(path('../src/locales/generated/keys.d.ts'), `export type Key =\n${keys.join('\n')}\n`)

// What each field of a body may hold, from the API's own schema.
const { components } = JSON.parse(readFileSync(path('../src/api/generated/openapi.json'), 'utf-8'))
const limits = ['minLength', 'maxLength', 'minimum', 'maximum', 'pattern']
const of = (field) => {
  const plain = field.anyOf?.find((one) => one.type !== 'null') ?? field
  return Object.fromEntries(limits.flatMap((name) => (plain[name] === undefined ? [] : [[name, plain[name]]])))
}
const bodies = Object.entries(components.schemas).flatMap(([name, schema]) => {
  const fields = Object.entries(schema.properties ?? {}).map(([key, field]) => [key, of(field)])
  const limited = fields.filter(([, found]) => Object.keys(found).length)
  return name.endsWith('Body') && limited.length ? [[name, Object.fromEntries(limited)]] : []
})
writeFileSync(path('../src/api/generated/limits.json'), JSON.stringify(Object.fromEntries(bodies), null, 1) + '\n')
