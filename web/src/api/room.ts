// What the room has, and what the lessons of a day need from it.
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { queryClient, type Id } from './queries'

export const useRoom = () =>
  useQuery({ queryKey: ['room'], queryFn: () => body(api.GET('/api/room')) })

export async function setRoom(sent: Schemas['RoomBody']): Promise<void> {
  queryClient.setQueryData(['room'], await body(api.PUT('/api/room', { body: sent })))
}

export const useDayNeeds = (day: Id) =>
  useQuery({
    queryKey: ['day-needs', day],
    queryFn: () => body(api.GET('/api/day/needs', { params: { query: { day: toValue(day) } } })),
    enabled: computed(() => toValue(day) !== ''),
  })
