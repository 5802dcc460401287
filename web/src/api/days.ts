// What a day is like: the weather, an occasion; and the songs that suit it.
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { queryClient, type Id } from './queries'

export type DayTime = Schemas['DayLikeRead']['times'][number]
export const useDayLike = (day: Id) =>
  useQuery({
    queryKey: ['day-like', day],
    queryFn: () => body(api.GET('/api/days/{day}', { params: { path: { day: toValue(day) } } })),
    enabled: computed(() => toValue(day) !== ''),
  })

export async function setDayLike(day: string, times: string[]): Promise<void> {
  const now = await body(api.PUT('/api/days/{day}', { params: { path: { day } }, body: { times } }))
  queryClient.setQueryData(['day-like', day], now)
  for (const name of ['alternatives', 'set-alternatives'])
    void queryClient.invalidateQueries({ queryKey: [name] })
}
