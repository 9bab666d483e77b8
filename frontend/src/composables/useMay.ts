import { useMe } from '@/composables/useMe'

/** Whether who is signed in may do something; the server asks again, whatever stands here. */
export function useMay(): (action: string) => boolean {
  const { data: me } = useMe()
  return (action) => me.value?.may.includes(action) ?? false
}
