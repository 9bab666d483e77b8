/** Puts the application itself on the tablet, and tells its keeper what was loaded before it was there. */
export async function keepOffline(): Promise<void> {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return
  await navigator.serviceWorker.register('/sw.js')
  const ready = await navigator.serviceWorker.ready
  const loaded = performance.getEntriesByType('resource').map((e) => e.name)
  ready.active?.postMessage({ keep: loaded })
}
