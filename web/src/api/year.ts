// The year: plans, calendar, week.
import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, body, type Schemas } from './client'
import { form, type Id } from './queries'

export function useYear(id: Id) {
  return useQuery({
    queryKey: ['year', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/year', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(id) !== ''),
  })
}
/** The years of several sections, as they come. */
export function useYears(ids: MaybeRefOrGetter<readonly string[]>) {
  return useQueries({
    queries: computed(() =>
      toValue(ids).map((id) => ({
        queryKey: ['year', id],
        queryFn: () =>
          body(
            api.GET('/api/sections/{section_id}/year', { params: { path: { section_id: id } } }),
          ),
      })),
    ),
    combine: (found) => found.flatMap((one) => (one.data ? [one.data] : [])),
  })
}
export function useWays(id: Id, wanted: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['ways', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/year/ways', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(wanted)),
    staleTime: 60_000,
  })
}
export const useSchoolYear = () =>
  useQuery({ queryKey: ['school-year'], queryFn: () => body(api.GET('/api/year')) })
export function useGrade(grade: MaybeRefOrGetter<number>, day: Id) {
  return useQuery({
    queryKey: ['grade', grade, day],
    queryFn: () =>
      body(
        api.GET('/api/year/grade', {
          params: { query: { grade: toValue(grade), day: toValue(day) || null } },
        }),
      ),
  })
}
export function useWeek(day: Id) {
  return useQuery({
    queryKey: ['week', day],
    queryFn: () => body(api.GET('/api/week', { params: { query: { day: toValue(day) || null } } })),
  })
}
export const useCalendar = () =>
  useQuery({ queryKey: ['calendar'], queryFn: () => body(api.GET('/api/calendar')) })

/** What a teacher does to a year; the answer is the whole year, put straight into place. */
export function useYearActs(section: Id) {
  const cache = useQueryClient()
  const at = () => ({ params: { path: { section_id: toValue(section) } } })
  const keep = (read: Schemas['YearRead']) => {
    cache.setQueryData(['year', read.section.id], read)
    for (const name of ['ways', 'school-year', 'grade', 'week'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  return {
    fit: useMutation({
      mutationFn: () => body(api.POST('/api/sections/{section_id}/year/fit', at())),
      onSuccess: keep,
    }),
    undo: useMutation({
      mutationFn: () => body(api.POST('/api/sections/{section_id}/year/undo', at())),
      onSuccess: keep,
    }),
    override: useMutation({
      mutationFn: (sent: Schemas['ArcOverridesBody']) =>
        body(api.PUT('/api/sections/{section_id}/year/overrides', { ...at(), body: sent })),
      onSuccess: keep,
    }),
  }
}

/** The calendar as a whole; whatever counts lessons is asked anew. */
export function useCalendarActs() {
  const cache = useQueryClient()
  const changed = () => {
    for (const name of ['calendar', 'year', 'school-year', 'grade', 'week', 'day', 'section'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  const act = <A, B>(mutationFn: (argument: A) => Promise<B>) =>
    useMutation({ mutationFn, onSuccess: changed })
  return {
    periods: act((sent: Schemas['PeriodsBody']) => body(api.PUT('/api/calendar', { body: sent }))),
    change: act((sent: Schemas['LessonChangeBody']) =>
      body(api.POST('/api/changes', { body: sent })),
    ),
    unchange: act((id: string) =>
      body(api.DELETE('/api/changes/{change_id}', { params: { path: { change_id: id } } })),
    ),
    concert: act((sent: Schemas['ConcertBody']) => body(api.POST('/api/concerts', { body: sent }))),
    unconcert: act((id: string) =>
      body(api.DELETE('/api/concerts/{concert_id}', { params: { path: { concert_id: id } } })),
    ),
  }
}

export const readHolidays = (file: File) => body(api.POST('/api/calendar/holidays', form([file])))
