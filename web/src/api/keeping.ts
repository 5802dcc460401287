// Backups, as the owner sees and changes them.
import { useQuery } from '@tanstack/vue-query'
import { api, body, type Schemas } from './client'
import { queryClient } from './queries'

const KEY = ['backups'] as const

export const useBackups = () =>
  useQuery({ queryKey: KEY, queryFn: () => body(api.GET('/api/backups')) })
export const useBackupsTold = () =>
  useQuery({ queryKey: ['backups-told'], queryFn: () => body(api.GET('/api/backups/told')) })

async function changed(answer: Promise<{ data?: Schemas['BackupsRead'] }>): Promise<void> {
  queryClient.setQueryData(KEY, await body(answer))
  await queryClient.invalidateQueries({ queryKey: ['backups-told'] })
}
export const makeBackup = () => changed(api.POST('/api/backups'))
export const setBackupFolder = (folder: string) =>
  changed(api.PUT('/api/backups/folder', { body: { folder } }))
export const sealBackups = (passphrase: string) =>
  changed(api.PUT('/api/backups/seal', { body: { passphrase } }))
export const unsealBackups = () => changed(api.DELETE('/api/backups/seal'))
export const backupAddress = (name: string) => `/api/backups/${encodeURIComponent(name)}`
