import { useQueryClient } from '@tanstack/vue-query'
import { ref, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { allUnsent, forgetRuns, markSent } from '@/logic/tapStore'

/** Sign out and leave nothing of any child on this device, once the taps that wait were sent. failed: why not. */
export function useSignOut(): { signOut: () => Promise<void>; failed: Ref<string> } {
  const queries = useQueryClient()
  const router = useRouter()
  const failed = ref('')

  async function signOut(): Promise<void> {
    failed.value = ''
    try {
      const waiting = await sendWaiting()
      await unwrap(api.DELETE('/api/session'))
      queries.clear()
      sessionStorage.clear() // what was typed and not kept is nobody else's
      await forgetRuns()
      await router.push({ name: 'sign-in', query: waiting ? { waiting: String(waiting) } : {} })
    } catch {
      failed.value = 'The server can’t be reached: you are still signed in here. Try again when the network is back.'
    }
  }
  return { signOut, failed }
}

/** Send the taps of every run; how many the server would not take from whoever is signed in. */
async function sendWaiting(): Promise<number> {
  let waiting = 0
  for (const [run, taps] of await allUnsent()) {
    try {
      const params = { path: { run_id: run } }
      const answer = await unwrap(api.POST('/api/runs/{run_id}/events', { params, body: taps }))
      await markSent([...answer.kept, ...answer.refused.map((r) => r.id)])
    } catch {
      waiting += taps.length
    }
  }
  return waiting
}
