<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import OwnFiles from '@/components/shelf/OwnFiles.vue'
import OwnLine from '@/components/shelf/OwnLine.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMay } from '@/composables/useMay'
import { useOwnPictures } from '@/composables/usePictures'
import { emptyThing } from '@/logic/ownThing'

/** Everything the clinic made itself, and what it hides of the library. */
const router = useRouter()
const queries = useQueryClient()
const mayDo = useMay()
const { data, error, isPending } = useQuery({ queryKey: ['own-list'], queryFn: () => unwrap(api.GET('/api/own')) })
const { data: words } = useQuery({
  queryKey: ['own-words'],
  queryFn: () => unwrap(api.GET('/api/own-words')),
  staleTime: Infinity,
})
const { data: hidden } = useQuery({ queryKey: ['hidden'], queryFn: () => unwrap(api.GET('/api/hidden')) })
const { error: refused, busy, doing } = useDoing()
const may = computed(() => mayDo('shelf.write'))
const NONE = {
  activity: 'None yet. One you often run and do not find here takes about five minutes.',
  thing: 'None yet. A thing you add is drawn, judged and used by every activity it fits.',
  task: 'None yet. What a family wants, as a chain of steps, can be planned towards like any other.',
  format: 'None yet. Say which parts your sessions have, how long and how hard each is.',
} as const
const beginning = ref(false)
const kinds = computed(() => [
  { id: 'activity' as const, words: 'Activities', drawn: true, rows: of('activity') },
  { id: 'thing' as const, words: 'Things', drawn: true, rows: of('thing') },
  { id: 'task' as const, words: 'Wanted tasks', drawn: false, rows: of('task') },
  { id: 'format' as const, words: 'Session formats', drawn: false, rows: of('format') },
])
const pictures = useOwnPictures(() => kinds.value.flatMap((k) => (k.drawn ? k.rows.map((e) => e.id) : [])))
const away = computed(() => (data.value ?? []).filter((e) => e.is_archived))

function of(kind: string): Schemas['OwnLine'][] {
  return (data.value ?? []).filter((e) => e.kind === kind && !e.is_archived)
}

async function begin(body: Omit<Schemas['NewOwn'], 'request'>): Promise<void> {
  const made = await doing(() => unwrap(api.POST('/api/own', { body: { ...body, request: crypto.randomUUID() } })))
  if (!made) return
  void queries.invalidateQueries({ queryKey: ['own-list'] })
  await router.push({ name: 'own', params: { entryId: String(made.id) } })
}

async function show(activityId: string): Promise<void> {
  await doing(() => unwrap(api.PUT('/api/hidden', { body: { activity_id: activityId, is_hidden: false } })))
  for (const key of ['hidden', 'library'] as const) void queries.invalidateQueries({ queryKey: [key] })
}
</script>

<template>
  <div class="stack">
    <div class="row">
      <h1>Our library</h1>
      <span v-if="may" class="row push">
        <PlainButton main :aria-expanded="beginning" @click="beginning = !beginning"> New activity </PlainButton>
        <PlainButton :disabled="busy" @click="begin({ kind: 'thing', values: emptyThing(), blank: '', copy_of: '' })">
          New thing
        </PlainButton>
        <PlainButton :disabled="busy" @click="begin({ kind: 'task', blank: 'task', copy_of: '' })">
          New wanted task
        </PlainButton>
        <PlainButton :disabled="busy" @click="begin({ kind: 'format', blank: 'format', copy_of: '' })">
          New format
        </PlainButton>
      </span>
    </div>
    <ProblemNote :error="error ?? refused" />
    <section v-if="beginning" class="sheet stack" aria-label="What kind of work is it?">
      <h2>What does the child’s hand do?</h2>
      <div class="kinds">
        <button
          v-for="w in words?.works"
          :key="w.id"
          type="button"
          class="kind"
          :disabled="busy"
          @click="begin({ kind: 'activity', blank: w.id, copy_of: '' })"
        >
          <ActivityPicture :picture="w.picture" />
          {{ w.blank }}
        </button>
      </div>
      <p class="soft">
        Or open an activity of a child’s library and choose “Make it your own”: it begins as a copy, picture and all.
      </p>
    </section>
    <RowsSkeleton v-if="isPending" words="Fetching what the clinic made…" :rows="4" />
    <div v-else class="kinds-made">
      <section v-for="k in kinds" :key="k.id" class="stack" :aria-label="k.words">
        <h2>{{ k.words }}</h2>
        <ul v-if="k.rows.length" class="made">
          <OwnLine v-for="e in k.rows" :key="e.id" :entry="e" :picture="pictures[e.id]" />
        </ul>
        <p v-else class="soft">{{ NONE[k.id] }}</p>
      </section>
    </div>
    <OwnFiles v-if="may" :entries="data ?? []" />
    <details v-if="away.length">
      <summary>Archived: {{ away.length }}</summary>
      <ul class="rows">
        <li v-for="e in away" :key="e.id">
          <RouterLink :to="{ name: 'own', params: { entryId: String(e.id) } }">{{
            e.name || 'without a name'
          }}</RouterLink>
        </li>
      </ul>
    </details>
    <details v-if="hidden?.activities.length">
      <summary>Hidden in this clinic: {{ hidden.activities.length }}</summary>
      <ul class="rows">
        <li v-for="h in hidden.activities" :key="h.id">
          {{ h.name }}
          <PlainButton v-if="may" class="push" @click="show(h.id)">Show again</PlainButton>
        </li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.push {
  margin-left: auto;
}
.kinds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
}
.kind {
  display: grid;
  justify-items: center;
  align-content: space-between;
  gap: 4px;
  padding: 8px 6px;
  border: 2px solid var(--line);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  line-height: 1.25;
  cursor: pointer;
}
.kind:hover {
  border-color: var(--water);
}
.kind :deep(svg.picture) {
  max-height: 84px;
}
.rows li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px var(--gap-3);
  align-items: center;
  min-height: var(--touch);
  padding: 4px var(--gap-3);
}
.rows li + li {
  border-top: 1px solid var(--line);
}
.kinds-made {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(480px, 100%), 1fr));
  gap: var(--gap-4);
  align-items: start;
}
.made {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(430px, 100%), 1fr));
  gap: 8px;
}
summary {
  min-height: var(--touch);
  padding-top: 10px;
  cursor: pointer;
}
</style>
