<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import CompareColumn from '@/components/library/CompareColumn.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import type { Child } from '@/composables/useChild'
import { useLibrary } from '@/composables/useLibrary'

/** Two activities side by side for one child and one cupboard. */
const { child } = defineProps<{ child: Child }>()
const route = useRoute()
const home = computed(() => Number(route.query.home ?? child.home_id))
const { data, error, isPending } = useLibrary(
  () => child.id,
  () => home.value,
)
const two = computed(() =>
  [route.query.a, route.query.b].flatMap((id) => data.value?.find((r) => r.activity_id === id) ?? []),
)
</script>

<template>
  <div class="stack">
    <nav aria-label="Back"><RouterLink :to="{ name: 'library' }">‹ Activities</RouterLink></nav>
    <ProblemNote :error="error" />
    <RowsSkeleton v-if="isPending" words="Fetching both…" :rows="2" tall />
    <p v-else-if="two.length < 2" class="notice">
      One of these is not in this clinic’s library. <RouterLink :to="{ name: 'library' }">Choose two again</RouterLink>
    </p>
    <div v-else class="sides">
      <CompareColumn v-for="r in two" :key="r.activity_id" :reach="r" :child-id="child.id" :home-id="home" />
    </div>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: var(--gap-3);
  align-items: start;
}
</style>
