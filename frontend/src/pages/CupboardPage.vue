<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import CupboardAdd from '@/components/cupboard/CupboardAdd.vue'
import CupboardLine from '@/components/cupboard/CupboardLine.vue'
import LetterKit from '@/components/cupboard/LetterKit.vue'
import MakeAtHome from '@/components/cupboard/MakeAtHome.vue'
import PlacesDrawer from '@/components/cupboard/PlacesDrawer.vue'
import OverrideForm from '@/components/cupboard/OverrideForm.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import VerdictSign from '@/components/shared/VerdictSign.vue'
import type { Child } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useForget } from '@/composables/useForget'
import { useMe } from '@/composables/useMe'
import { usePlaces } from '@/composables/usePlaces'
import { byReason } from '@/logic/hazards'

const { child } = defineProps<{ child: Child }>()
const chosen = ref(child.home_id)
const search = ref('')
const forget = useForget()
const { data, error } = useQuery({
  queryKey: ['cupboard', chosen, () => child.id],
  queryFn: () =>
    unwrap(
      api.GET('/api/homes/{home_id}/cupboard', {
        params: { path: { home_id: chosen.value }, query: { child_id: child.id } },
      }),
    ),
})
const places = usePlaces(() => child)
const place = computed(() => places.value.find((h) => h.id === chosen.value))
const placing = ref(false)

/** A place that was just added; another child's home is not among this one's. */
function show(home: number): void {
  placing.value = false
  if (places.value.some((h) => h.id === home)) chosen.value = home
}
const { data: me } = useMe()

watch(places, (now) => {
  if (now.length && !now.some((h) => h.id === chosen.value)) chosen.value = child.home_id
})

const groups = computed(() => {
  const wanted = search.value.trim().toLowerCase()
  const items = (data.value?.items ?? []).filter(
    (i) => !wanted || `${i.thing.name} ${i.thing.forms.join(' ')}`.toLowerCase().includes(wanted),
  )
  return [
    {
      id: 'barred',
      words: `Not for ${child.first_name}`,
      because: byReason(items.filter((i) => i.verdict?.status === 'barred')),
    },
    { id: 'caution', words: 'With care', because: byReason(items.filter((i) => i.verdict?.status === 'caution')) },
    { id: 'allowed', words: 'Fine to use', because: byReason(items.filter((i) => i.verdict?.status === 'allowed')) },
  ].filter((g) => g.because.length)
})

const refresh = (): void => forget('cupboard')

/** What was removed last, put back with one press: its count and what was measured come back with it. */
const removed = ref<Schemas['ItemOut'] | null>(null)
const { busy, error: undoError, doing } = useDoing()
function gone(item: Schemas['ItemOut']): void {
  removed.value = item
  refresh()
}
async function undo(): Promise<void> {
  const item = removed.value
  if (!item) return
  const body = { thing_id: item.thing.id, count: item.count, measured: item.measured }
  const home_id = chosen.value
  const back = await doing(() =>
    unwrap(api.POST('/api/homes/{home_id}/cupboard', { params: { path: { home_id } }, body })),
  )
  if (!back) return
  removed.value = null
  refresh()
}
watch(chosen, () => (removed.value = null))
</script>

<template>
  <div class="stack">
    <div class="row tools">
      <el-select v-model="chosen" class="place" aria-label="Which cupboard"
        ><el-option v-for="h in places" :key="h.id" :value="h.id" :label="h.name"
      /></el-select>
      <PlainButton v-if="place && me?.may.includes('home.edit')" @click="placing = true"> Places… </PlainButton>
      <el-input
        v-model="search"
        class="search"
        placeholder="Find in this cupboard"
        aria-label="Find in this cupboard"
        clearable
      />
      <PlainButton main :to="{ name: 'stock', query: { home: chosen } }">Drawer by drawer</PlainButton>
      <CupboardAdd :home-id="chosen" :child-id="child.id" @added="refresh" />
    </div>
    <p v-if="data && !data.items.length" class="notice">
      This cupboard is empty.
      <RouterLink :to="{ name: 'stock', query: { home: chosen } }">Fill it drawer by drawer</RouterLink>; it takes a
      minute.
    </p>
    <p v-if="place?.who" class="soft">Also there: {{ place.who }}</p>
    <PlacesDrawer
      v-if="placing && place"
      :child="child"
      :place="place"
      @added="(made) => show(made.id)"
      @close="placing = false"
    />
    <ProblemNote :error="error ?? undoError" />
    <div class="both">
      <MakeAtHome :home-id="chosen" :child-id="child.id" />
      <LetterKit :name="child.first_name" />
    </div>
    <section v-for="group in groups" :key="group.id">
      <h3 class="row group"><VerdictSign :status="group.id" /> {{ group.words }}</h3>
      <div v-for="b in group.because" :key="b.reason" class="because">
        <p v-if="b.hit">
          <strong>{{ b.hit.reason }}</strong> {{ b.hit.remedy }} <span class="soft small">{{ b.hit.source }}</span>
        </p>
        <OverrideForm
          v-if="b.hit?.overridable && b.hit.status === 'barred' && me?.may.includes('child.override_hazard')"
          :child-id="child.id"
          :rule="b.hit.rule"
        />
        <ul class="lines">
          <CupboardLine
            v-for="item in b.items"
            :key="item.id"
            :item="item"
            :child-id="child.id"
            @changed="refresh"
            @removed="gone(item)"
          />
        </ul>
      </div>
    </section>
    <p v-if="removed" class="tray row" role="status">
      {{ removed.thing.name }} removed.
      <PlainButton :disabled="busy" @click="undo">Undo</PlainButton>
    </p>
  </div>
</template>

<style scoped>
.place {
  width: 220px;
}
.both {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(420px, 100%), 1fr));
  gap: var(--gap-3);
  align-items: start;
}
.search {
  width: 240px;
}
.group {
  margin-bottom: 6px;
}
.because {
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--round);
  padding: 8px var(--gap-3) 0;
  margin-bottom: 8px;
}
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(390px, 100%), 1fr));
  gap: 0 var(--gap-4);
}
</style>
