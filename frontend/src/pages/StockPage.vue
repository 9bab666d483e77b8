<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ShelfTile from '@/components/cupboard/ShelfTile.vue'
import StarterList from '@/components/cupboard/StarterList.vue'
import StockStarts from '@/components/cupboard/StockStarts.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import type { Child } from '@/composables/useChild'
import { useForget } from '@/composables/useForget'
import { usePlaces } from '@/composables/usePlaces'
import { useStocking } from '@/composables/useStocking'
import { searched } from '@/logic/shelves'

/** What a home has, in a minute: drawer by drawer, one tap for each thing. */
const { child } = defineProps<{ child: Child }>()
const route = useRoute()
const homeId = computed(() => Number(route.query.home ?? child.home_id))
const places = usePlaces(() => child)
const place = computed(() => places.value.find((h) => h.id === homeId.value))
const queries = useQueryClient()
const forget = useForget()
const { data: shelves } = useQuery({
  queryKey: ['shelves'],
  queryFn: () => unwrap(api.GET('/api/shelves')),
  staleTime: Infinity,
})
const { counts, error, unsent, set } = useStocking(() => homeId.value)
const search = ref('')
const found = computed(() => searched(shelves.value ?? [], search.value))
const first = computed(() => found.value[0]?.things[0])
const have = computed(() => Object.values(counts.value).filter(Boolean).length)

/** Enter adds the first match, and the field is ready for the next word. */
function yes(): void {
  const thing = first.value
  if (!thing || !search.value.trim()) return
  if (!counts.value[thing.id]) set({ [thing.id]: thing.usual_count })
  search.value = ''
}

function taken(now: Schemas['Counts']): void {
  queries.setQueryData(['counts', homeId.value], now)
  forget('cupboard')
}
</script>

<template>
  <div class="stack">
    <div class="row">
      <h2>What is at {{ place?.name ?? child.home_name }}?</h2>
      <span class="soft" role="status">{{ have }} things{{ unsent ? ', saving…' : have ? ', saved' : '' }}</span>
      <PlainButton class="push" :to="{ name: 'cupboard' }">See the cupboard</PlainButton>
    </div>
    <ProblemNote :error="error" />
    <StockStarts v-if="shelves" :home-id="homeId" :shelves="shelves" :counts="counts" @set="set" @taken="taken" />
    <el-input
      v-model="search"
      class="search"
      placeholder="Type a thing; Enter adds the first match"
      aria-label="Find a thing"
      clearable
      autofocus
      @keydown.enter.prevent="yes"
    />
    <StarterList
      v-if="!search"
      :home-id="homeId"
      :child-id="child.id"
      :name="child.first_name"
      @yes="(id, n) => set({ [id]: n })"
    />
    <p v-if="search && !first" class="row">
      <span class="soft">No thing of that name. Try a shorter word, or</span>
      <RouterLink :to="{ name: 'shelf' }">add it as a thing of your own</RouterLink>
    </p>
    <section v-for="shelf in found" :key="shelf.id" :aria-label="shelf.name">
      <h3>
        {{ shelf.name }}
        <span class="soft small"
          >{{ shelf.things.filter((t) => counts[t.id]).length }} of {{ shelf.things.length }}</span
        >
      </h3>
      <ul class="tiles">
        <ShelfTile
          v-for="t in shelf.things"
          :key="t.id"
          :thing="t"
          :count="counts[t.id] ?? 0"
          :class="{ next: search && t === first }"
          @set="set({ [t.id]: $event })"
        />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.push {
  margin-left: auto;
}
.search {
  max-width: 460px;
}
.tiles {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(124px, 1fr));
  gap: 8px;
}
.next {
  outline: 3px solid var(--brass);
}
</style>
