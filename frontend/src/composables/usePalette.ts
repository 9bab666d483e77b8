import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { useMay } from '@/composables/useMay'
import { useMe } from '@/composables/useMe'
import { matching, type Command } from '@/logic/palette'
import { ageWords } from '@/logic/words'

export interface Palette {
  typed: Ref<string>
  offered: ComputedRef<Command[]>
}

const CHILD_PAGES = [
  { name: 'ask', words: 'Plan a session' },
  { name: 'child', words: 'Skills' },
  { name: 'cupboard', words: 'Cupboard' },
  { name: 'library', words: 'Activities' },
  { name: 'progress', words: 'Progress' },
  { name: 'week', words: 'Home week' },
] as const

/** Everything one can go to or do from here: the pages, the child’s pages, any child by letters, and what is switched. */
export function usePalette(actions: () => Command[]): Palette {
  const router = useRouter()
  const route = useRoute()
  const { data: me } = useMe()
  const typed = ref('')
  const letters = refDebounced(typed, 150)
  const { data: children } = useQuery({
    queryKey: ['found-children', letters],
    queryFn: () => unwrap(api.GET('/api/children', { params: { query: { letters: letters.value.trim() } } })),
    enabled: () => Boolean(me.value),
    placeholderData: (before: unknown) => before as never,
    staleTime: 10_000,
  })
  const to =
    (name: string, params = {}): (() => void) =>
    () =>
      void router.push({ name, params })
  const may = useMay()

  const pages = computed<Command[]>(() => [
    { id: 'caseload', words: 'Children', also: 'list caseload home', run: to('caseload') },
    { id: 'day', words: 'Day', also: 'visits calendar today', run: to('day') },
    { id: 'together', words: 'Together', also: 'group', run: to('together') },
    { id: 'bag', words: 'Visit bag', also: 'pack', run: to('bag') },
    {
      id: 'shelf',
      words: 'Our library',
      also: 'own clinic activity thing task format import export',
      run: to('shelf'),
    },
    ...(may('child.add')
      ? [
          {
            id: 'add',
            words: 'New child',
            also: 'add',
            run: () => void router.push({ path: '/', query: { add: '1' } }),
          },
        ]
      : []),
    ...(may('people.read')
      ? [{ id: 'people', words: 'Clinic', also: 'people settings invite', run: to('people') }]
      : []),
    ...(may('library.read_learned')
      ? [{ id: 'learned', words: 'What the children taught', also: 'library difficulties', run: to('learned') }]
      : []),
    ...(may('audit.read') ? [{ id: 'audit', words: 'Audit log', also: 'who saw', run: to('audit') }] : []),
    { id: 'account', words: 'My account', also: 'password devices', run: to('account') },
  ])
  const here = computed<Command[]>(() => {
    const childId = route.params.childId
    if (!childId) return []
    return CHILD_PAGES.map((p) => ({
      id: `here-${p.name}`,
      words: p.words,
      hint: 'this child',
      run: to(p.name, { childId }),
    }))
  })
  const found = computed<Command[]>(() =>
    (children.value ?? []).map((c) => ({
      id: `child-${c.id}`,
      words: c.first_name,
      hint: `${ageWords(c.age_months)}, ${c.care === 'open' ? c.home_name : c.care}`,
      run: to('child', { childId: c.id }),
    })),
  )
  const offered = computed(() => matching([...here.value, ...found.value, ...pages.value, ...actions()], typed.value))
  return { typed, offered }
}
