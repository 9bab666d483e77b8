import { useEventListener, useLocalStorage } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { isShortcut } from '@/logic/shortcuts'

/** Whether the first steps are shown on the list of children. */
export const useFirstSteps = (): Ref<boolean> => useLocalStorage('first-steps', true)

/** The keys that go somewhere, and whether their list is open. */
export function useShortcuts(works: () => boolean): Ref<boolean> {
  const router = useRouter()
  const open = ref(false)
  const does: Record<string, () => void> = {
    c: () => void router.push('/'),
    d: () => void router.push({ name: 'day' }),
    n: () => void router.push({ path: '/', query: { add: '1' } }),
    '?': () => (open.value = true),
  }
  useEventListener('keydown', (event: KeyboardEvent) => {
    const act = does[event.key]
    if (!act || !works() || !isShortcut(event, event.target as HTMLElement)) return
    event.preventDefault()
    act()
  })
  return open
}
