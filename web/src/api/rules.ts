// What a field may hold comes from the API's schema, and is said at the field in the server's words.
import { say } from '@/locales/say'
import limits from './generated/limits.json'

interface Limits {
  minLength?: number
  maxLength?: number
  minimum?: number
  maximum?: number
  pattern?: string
}
type Bodies = typeof limits
type Rule = (value: unknown) => true | string

/** Why a value is refused, or nothing. */
export function whyNot(of: Limits, value: unknown): string | undefined {
  const text = value === null || value === undefined ? '' : String(value)
  const trimmed = text.trim()
  if (of.minLength !== undefined && !trimmed) return say('field_missing')
  if (of.maxLength !== undefined && text.length > of.maxLength)
    return say('field_long', { most: of.maxLength })
  if (of.minLength !== undefined && text.length < of.minLength)
    return say('field_short', { least: of.minLength })
  if (of.minimum !== undefined && trimmed && Number(value) < of.minimum)
    return say('field_from', { least: of.minimum })
  if (of.maximum !== undefined && trimmed && Number(value) > of.maximum)
    return say('field_to', { most: of.maximum })
  if (of.pattern !== undefined && trimmed && !new RegExp(of.pattern, 'u').test(text))
    return say('field_form')
  return undefined
}

/** The rules of one field of a body, for the field's `rules`. */
export function rules<Body extends keyof Bodies>(body: Body, field: keyof Bodies[Body]): Rule[] {
  return [(value) => whyNot(limits[body][field] as Limits, value) ?? true]
}
