import { expect, test } from 'vitest'
import { queryClient, signedInAs } from './queries'

test('an answer “signed out” that was asked for before the sign-in does not undo it', async () => {
  const noor = { id: 't', name: 'Noor', school: 'Kestrel Ridge', role: 'owner' }
  await queryClient
    .fetchQuery({ queryKey: ['me'], queryFn: () => Promise.reject(new Error('401')), retry: false })
    .catch(() => null)
  let late: (error: Error) => void = () => undefined
  const asked = queryClient
    .fetchQuery({
      queryKey: ['me'],
      queryFn: () => new Promise((_, refuse) => (late = refuse)),
      retry: false,
    })
    .catch(() => null)
  queryClient.setQueryData(['songs'], ['of somebody else'])
  await signedInAs(noor)
  late(new Error('401'))
  await asked
  await Promise.resolve()
  expect(queryClient.getQueryState(['me'])?.status).toBe('success')
  expect(queryClient.getQueryData(['me'])).toEqual(noor)
  expect(queryClient.getQueryData(['songs'])).toBeUndefined()
})
