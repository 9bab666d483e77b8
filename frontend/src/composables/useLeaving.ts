import { onScopeDispose, ref, type Ref } from 'vue'
import { START_LOCATION, useRouter } from 'vue-router'

export interface Leaving {
  /** Whether another page is on its way and this one still stands. */
  leaving: Ref<boolean>
  /** Address of the page that couldn't be fetched, or nothing. */
  missed: Ref<string>
}

/** Tells of a page whose code is still being fetched, and of one whose code could not be. */
export function useLeaving(): Leaving {
  const router = useRouter()
  const leaving = ref(false)
  // The first page of all can be missed as well, before anything here listens.
  const missed = ref(router.currentRoute.value === START_LOCATION ? location.pathname + location.search : '')
  const ends = [
    router.beforeEach((to, from) => {
      leaving.value = to.path !== from.path
      missed.value = ''
    }),
    router.afterEach(() => {
      leaving.value = false
    }),
    router.onError((_, to) => {
      leaving.value = false
      missed.value = to.fullPath
    }),
  ]
  onScopeDispose(() => ends.forEach((end) => end()))
  return { leaving, missed }
}
