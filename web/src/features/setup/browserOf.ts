// What a browser calls itself, as a teacher would say it: which one, on what.
import { say } from '@/locales/say'

const BROWSERS = [
  ['Edg/', 'Edge'],
  ['Firefox/', 'Firefox'],
  ['Chrome/', 'Chrome'],
  ['Safari/', 'Safari'],
] as const
const SYSTEMS = [
  ['iPhone', 'iPhone'],
  ['iPad', 'iPad'],
  ['Android', 'Android'],
  ['Windows', 'Windows'],
  ['Mac OS', 'Mac'],
  ['Linux', 'Linux'],
] as const
const named = (agent: string, table: readonly (readonly [string, string])[]) =>
  table.find(([mark]) => agent.includes(mark))?.[1]

export function browserOf(agent: string): string {
  const browser = named(agent, BROWSERS) ?? say('you-browser')
  const system = named(agent, SYSTEMS)
  return system ? say('you-browser-on', { browser, system }) : browser
}
