// Who may come in, and where one is signed in.
import { useQuery } from '@tanstack/vue-query'
import { api, body, type Schemas } from './client'
import { forgetPack } from '@/offline/pack'
import { end } from './outbox'
import { endPack } from './pack'
import { queryClient } from './queries'

export type Adult = Schemas['AdultRead']
export type Role = Schemas['GivenBody']['role']
export const ROLES: readonly Role[] = ['owner', 'teacher', 'substitute', 'viewer']

export const useAdults = () =>
  useQuery({ queryKey: ['adults'], queryFn: () => body(api.GET('/api/adults')) })
export const useDevices = () =>
  useQuery({ queryKey: ['devices'], queryFn: () => body(api.GET('/api/devices')) })

const again = (name: string) => queryClient.invalidateQueries({ queryKey: [name] })
const link = (token: string) => `${window.location.origin}/link/${token}`

export async function invite(given: Schemas['GivenBody']): Promise<string> {
  const made = await body(api.POST('/api/adults', { body: given }))
  await again('adults')
  return link(made.token)
}
export async function newPasswordLink(adult_id: string): Promise<string> {
  const made = await body(
    api.POST('/api/adults/{adult_id}/new-password', { params: { path: { adult_id } } }),
  )
  await again('adults')
  return link(made.token)
}
export async function changeAdult(adult_id: string, given: Schemas['GivenBody']): Promise<void> {
  await body(api.PUT('/api/adults/{adult_id}', { params: { path: { adult_id } }, body: given }))
  await again('adults')
}
export async function removeAdult(adult_id: string): Promise<void> {
  await body(api.DELETE('/api/adults/{adult_id}', { params: { path: { adult_id } } }))
  await again('adults')
}
export async function withdrawLink(invitation_id: string): Promise<void> {
  await api.DELETE('/api/invitations/{invitation_id}', { params: { path: { invitation_id } } })
  await again('adults')
}
export async function signOutDevice(device_id: string): Promise<void> {
  await api.DELETE('/api/devices/{device_id}', { params: { path: { device_id } } })
  await again('devices')
}
export async function changePassword(old: string, next: string): Promise<void> {
  await api.PUT('/api/me/password', { body: { old, new: next } })
  await again('devices')
}

export const useLink = (token: string) =>
  useQuery({
    queryKey: ['link', token],
    queryFn: () => body(api.GET('/api/links/{token}', { params: { path: { token } } })),
    staleTime: Infinity,
  })
export const useUpLink = (token: string, login: string, password: string) =>
  api.POST('/api/links/{token}', { params: { path: { token } }, body: { login, password } })

/** Signed out here, or on every device; a new page forgets everything. */
export async function leave(everywhere: boolean): Promise<void> {
  await (everywhere ? api.POST('/api/sign-out-everywhere') : api.POST('/api/sign-out'))
  end()
  endPack()
  await forgetPack()
  window.location.assign('/sign-in')
}
