<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useSessionStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import LibraryFilters from '@/components/library/LibraryFilters.vue'
import LibraryRow from '@/components/library/LibraryRow.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import type { Child } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useLibrary } from '@/composables/useLibrary'
import { usePictures } from '@/composables/usePictures'
import { usePlaces } from '@/composables/usePlaces'
import { useWords } from '@/composables/useWords'
import { fits, found, indexed, moreLike, otherSkill, sorted, type Filter, type Reach, type Sort } from '@/logic/library'

/** Ideas: by what one has in the hand, what the child does, the skill, the task, the minutes, where and with whom. */
const { child } = defineProps<{ child: Child }>()
const PAGE = window.matchMedia?.('(max-width: 760px)').matches ? 8 : 16
const router = useRouter()
const words = useWords()
const places = usePlaces(() => child)
const queries = useQueryClient()
const chosen = ref(child.home_id)
const search = useSessionStorage(`ideas-search ${child.id}`, '')
const filter = useSessionStorage<Filter>(`ideas-filter ${child.id}`, {})
const sort = useSessionStorage<Sort>('ideas-sort', 'nearest')
const like = ref<{ how: 'more' | 'other'; of: Reach } | null>(null)
const compared = ref<string[]>([])
const missing = ref(false) // what this home can't offer, and why, in place of what it can
const shown = ref(PAGE)
const { error: refused, doing } = useDoing()
const { data, error, isPending } = useLibrary(
  () => child.id,
  () => chosen.value,
)
const tasks = computed(() => Object.fromEntries((words.value?.wanted_tasks ?? []).map((t) => [t.id, t.name])))
// Fetched once, when something is looked for.
const { data: said } = useQuery({
  queryKey: ['activity-words'],
  queryFn: () => unwrap(api.GET('/api/activity-words')),
  enabled: () => Boolean(search.value.trim() || filter.value.task),
  staleTime: Infinity,
})
const index = computed(() => indexed(data.value ?? [], said.value ?? {}, tasks.value))
const rows = computed(() => {
  const all = data.value ?? []
  if (like.value) return (like.value.how === 'more' ? moreLike : otherSkill)(like.value.of, all)
  const answering = search.value.trim() ? found(all, index.value, search.value) : all
  const matching = answering.filter((r) => fits(r, filter.value, said.value))
  return search.value.trim() && sort.value === 'nearest' ? matching : sorted(matching, sort.value)
})
const here = computed(() => rows.value.filter((r) => r.offered))
const notHere = computed(() => rows.value.filter((r) => !r.offered))
const listed = computed(() => (missing.value ? notHere.value : here.value).slice(0, shown.value))
const pictures = usePictures(
  () => child.id,
  () => chosen.value,
  () => listed.value.map((r) => r.activity_id),
)
watch([search, filter, sort, like, missing], () => (shown.value = PAGE), { deep: true })
watch(search, () => (like.value = null))

function look(how: 'more' | 'other', of: Reach): void {
  like.value = { how, of }
  window.scrollTo({ top: 0 })
}

function compare(id: string): void {
  const rest = compared.value.filter((x) => x !== id)
  compared.value = rest.length < compared.value.length ? rest : [...rest, id].slice(-2)
}

/** Enter opens the first that was found. */
function openFirst(): void {
  const first = listed.value[0]
  if (!first) return
  void router.push({ name: 'activity', params: { activityId: first.activity_id }, query: { home: chosen.value } })
}

async function love(reach: Reach, whose: 'child' | 'me'): Promise<void> {
  const key = ['library', child.id, chosen.value] as const
  const field = whose === 'child' ? 'loved' : 'liked'
  const to = !reach[field]
  const put = (value: boolean): void =>
    void queries.setQueryData<Reach[]>(key, (all) =>
      all?.map((r) => (r.activity_id === reach.activity_id ? { ...r, [field]: value } : r)),
    )
  put(to)
  const body = { activity_id: reach.activity_id, whose, is_favourite: to }
  const done = await doing(() =>
    unwrap(api.PUT('/api/children/{child_id}/favourites', { params: { path: { child_id: child.id } }, body })),
  )
  if (!done) put(!to)
}
</script>

<template>
  <div class="stack">
    <div class="row">
      <el-input
        v-model="search"
        class="search"
        placeholder="What is in your hand, or what should the child do? egg box, squeeze, pour"
        aria-label="Search by thing, activity or skill"
        clearable
        @keydown.enter.prevent="openFirst"
      />
      <el-select v-model="chosen" class="place" aria-label="Which cupboard"
        ><el-option v-for="h in places" :key="h.id" :value="h.id" :label="h.name"
      /></el-select>
    </div>
    <LibraryFilters v-model="filter" v-model:sort="sort" :name="child.first_name" />
    <ProblemNote :error="error ?? refused" />
    <RowsSkeleton v-if="isPending" words="Looking through the cupboard…" :rows="6" tall />
    <template v-if="data">
      <p v-if="like" class="row">
        <strong>{{ like.how === 'more' ? 'Like' : 'With the same things as' }} {{ like.of.name }}</strong>
        <PlainButton @click="like = null">Back to all</PlainButton>
      </p>
      <p v-else>
        <strong>{{ here.length }}</strong> activities this home can offer {{ child.first_name
        }}<span v-if="sort === 'nearest' && !search" class="soft"
          >, those nearest to 8 of 10 first. The solid bar is the grades on offer here, the thin line all there are, the
          dot is {{ child.first_name }}.</span
        >
      </p>
      <p v-if="notHere.length && rows.length">
        <PlainButton :aria-pressed="missing" @click="missing = !missing">
          {{ missing ? 'Back to what this home can offer' : `${notHere.length} more it can’t offer, and why` }}
        </PlainButton>
      </p>
      <p v-if="!rows.length" class="notice">
        Nothing found. Try a shorter word or fewer filters, or
        <RouterLink :to="{ name: 'shelf' }">write an activity of your own</RouterLink>.
      </p>
      <ul v-else-if="listed.length" class="list">
        <LibraryRow
          v-for="r in listed"
          :key="r.activity_id"
          :reach="r"
          :child-id="child.id"
          :home-id="chosen"
          :picture="pictures[r.activity_id]"
          :compared="compared.includes(r.activity_id)"
          @more="look('more', r)"
          @other="look('other', r)"
          @compare="compare(r.activity_id)"
          @love="love(r, $event)"
        />
      </ul>
      <PlainButton v-if="(missing ? notHere : here).length > shown" @click="shown += PAGE">
        Show more of {{ (missing ? notHere : here).length }}
      </PlainButton>
    </template>
    <div v-if="compared.length" class="tray row" role="status">
      <span>{{ compared.length === 2 ? 'Two to compare' : 'Choose another to compare with' }}</span>
      <PlainButton
        v-if="compared.length === 2"
        main
        :to="{ name: 'compare', query: { a: compared[0], b: compared[1], home: chosen } }"
        >Side by side</PlainButton
      >
      <PlainButton @click="compared = []">Clear</PlainButton>
    </div>
  </div>
</template>

<style scoped>
.search {
  flex: 1 1 320px;
}
.search :deep(.el-input__wrapper) {
  min-height: var(--touch);
}
.place {
  width: 190px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--round);
}
</style>
