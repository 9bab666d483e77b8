/** Puts the application itself on the tablet. */
export async function keepOffline(): Promise<void> {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return
  await navigator.serviceWorker.register('/sw.js')
}
