// What a lesson needs of the server, and may lie on this device until one signs out: the day, its lessons, whom to hear, the music.
// Neither the ledger nor a child's page is among it.
export const PACK = 'kopje-pack'
export const AS_OF = 'x-kopje-as-of'
export const FORGET = 'kopje-forget'

const KEPT = [
  /^\/api\/(me|school|words|day|week|sections|first-run|bar-colours|day\/needs|to-do)$/,
  /^\/api\/lessons\/[^/]+(\/late|\/parts\/[^/]+\/(hearing|exercise))?$/,
  /^\/api\/songs\/[^/]+\/(score|opening)$/,
  /^\/api\/exercises\/[^/]+\/score$/,
  /^\/api\/recordings\/[^/]+(\/performance)?$/,
  /^\/api\/sections\/[^/]+\/seats$/,
]
/** Whether an answer of this address is kept. */
export const inPack = (path: string): boolean => KEPT.some((one) => one.test(path))

/** Signed out: nothing of it stays. */
export async function forgetPack(): Promise<void> {
  if ('caches' in window) await caches.delete(PACK)
  navigator.serviceWorker?.controller?.postMessage(FORGET)
}
