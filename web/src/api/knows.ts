// What a section knows from elsewhere, as the teacher says: concepts and songs.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { toValue } from 'vue'
import { api, body } from './client'
import type { Id } from './queries'

const at = (section: Id) => ({ params: { path: { section_id: toValue(section) } } })

export const useDeclared = (section: Id) =>
  useQuery({
    queryKey: ['declared', section],
    queryFn: () => body(api.GET('/api/sections/{section_id}/declared', at(section))),
  })

export const useKnownSongs = (section: Id) =>
  useQuery({
    queryKey: ['known-songs', section],
    queryFn: () => body(api.GET('/api/sections/{section_id}/known-songs', at(section))),
  })

/** Each press is kept at once; every page that judges by it asks again. */
export function useKnowsActs(section: Id) {
  const cache = useQueryClient()
  const anew = () => {
    for (const name of ['section', 'set', 'songs', 'year', 'alternatives', 'ledger'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  return {
    async declare(concepts: string[]) {
      const read = await body(
        api.PUT('/api/sections/{section_id}/declared', { ...at(section), body: { concepts } }),
      )
      cache.setQueryData(['declared', toValue(section)], read)
      anew()
    },
    async setSongs(song_ids: string[]) {
      const read = await body(
        api.PUT('/api/sections/{section_id}/known-songs', { ...at(section), body: { song_ids } }),
      )
      cache.setQueryData(['known-songs', toValue(section)], read)
      anew()
    },
  }
}
