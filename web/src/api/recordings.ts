// Recorded pieces: the shelf, one piece, how our own sound.
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { queryClient, type Id } from './queries'

export const useRecordings = () =>
  useQuery({ queryKey: ['recordings'], queryFn: () => body(api.GET('/api/recordings')) })

export const useRecording = (id: Id) =>
  useQuery({
    queryKey: ['recordings', id],
    queryFn: () =>
      body(
        api.GET('/api/recordings/{recording_id}', {
          params: { path: { recording_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(id) !== ''),
    refetchOnWindowFocus: false,
  })

/** Every tone of one of our own pieces; asked for when it is first played. */
export const tonesOf = async (id: string): Promise<Schemas['PlayedToneRead'][]> =>
  (
    await queryClient.fetchQuery({
      queryKey: ['performance', id],
      queryFn: () =>
        body(
          api.GET('/api/recordings/{recording_id}/performance', {
            params: { path: { recording_id: id } },
          }),
        ),
      staleTime: Infinity,
    })
  ).tones

const again = () => queryClient.invalidateQueries({ queryKey: ['recordings'] })
export async function keepRecording(
  id: string,
  sent: Schemas['RecordingBody'],
): Promise<Schemas['RecordingRead']> {
  const read = id
    ? await body(
        api.PUT('/api/recordings/{recording_id}', {
          params: { path: { recording_id: id } },
          body: sent,
        }),
      )
    : await body(api.POST('/api/recordings', { body: sent }))
  await again()
  return read
}
export async function bringShippedPieces(): Promise<void> {
  await body(api.POST('/api/recordings/shipped'))
  await again()
}
export async function takeOffRecording(id: string): Promise<void> {
  await body(
    api.DELETE('/api/recordings/{recording_id}', { params: { path: { recording_id: id } } }),
  )
  await again()
}
export async function putBackRecording(id: string): Promise<void> {
  await body(
    api.POST('/api/recordings/{recording_id}/bring-back', {
      params: { path: { recording_id: id } },
    }),
  )
  await again()
}
