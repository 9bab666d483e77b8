<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, unwrap } from '@/api/client'
import CarePanel from '@/components/caseload/CarePanel.vue'
import ChildOverrides from '@/components/caseload/ChildOverrides.vue'
import HazardsAsked from '@/components/caseload/HazardsAsked.vue'
import LookStart from '@/components/caseload/LookStart.vue'
import ProfileForm from '@/components/caseload/ProfileForm.vue'
import ProfileSummary from '@/components/caseload/ProfileSummary.vue'
import RungPicker from '@/components/caseload/RungPicker.vue'
import StrandLadder from '@/components/caseload/StrandLadder.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import type { Child } from '@/composables/useChild'
import { useWords } from '@/composables/useWords'

const { child } = defineProps<{ child: Child }>()
const words = useWords()
const { data: seen } = useQuery({
  queryKey: ['seen', () => child.id, () => child.version],
  queryFn: () => unwrap(api.GET('/api/children/{child_id}/seen', { params: { path: { child_id: child.id } } })),
})
const isNew = computed(() => child.care === 'open' && child.strands.every((s) => !s.tries))
const editing = ref(useRoute().query.edit === '1')
const picking = ref<string | null>(null)

const groups = computed(() =>
  (words.value?.targets ?? []).map((target) => ({
    target,
    strands: (words.value?.strands ?? [])
      .filter((s) => s.target === target.id)
      .map((ladder) => ({
        ladder,
        at: child.strands.find((s) => s.strand === ladder.id),
        wanted: child.wanted_rungs[ladder.id] ?? null,
        seen: seen.value?.find((s) => s.strand === ladder.id),
      })),
  })),
)

const picked = computed(() => words.value?.strands.find((s) => s.id === picking.value) ?? null)
</script>

<template>
  <HazardsAsked :child="child" @note="editing = true" />
  <LookStart v-if="isNew" :child="child" />
  <div class="split">
    <RowsSkeleton v-if="!words" words="Fetching the skills…" :rows="12" tall />
    <section v-else aria-label="Skills" class="skills">
      <div v-for="group in groups" :key="group.target.id" class="target">
        <h3 class="row"><TargetSign :target="group.target.id" /> {{ group.target.name }}</h3>
        <StrandLadder
          v-for="s in group.strands"
          :key="s.ladder.id"
          :ladder="s.ladder"
          :at="s.at"
          :wanted="s.wanted"
          :seen="s.seen"
          @pick="picking = s.ladder.id"
        />
      </div>
      <p class="small soft key">
        <span class="dot"></span> where the child probably stands, with the doubt around it
        <span class="bar"></span> seen <span class="flag"></span> what a wanted task requires. Choose a ladder to set
        what you saw.
      </p>
    </section>
    <div class="stack">
      <ProfileSummary :child="child" @edit="editing = true" />
      <ChildOverrides v-if="child.overrides.length" :child="child" />
      <CarePanel :child="child" />
    </div>
  </div>
  <ProfileForm v-if="editing" :child="child" @close="editing = false" />
  <RungPicker
    v-if="picked"
    :child="child"
    :ladder="picked"
    :seen="seen?.find((s) => s.strand === picking)"
    @close="picking = null"
  />
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1fr 320px;
  gap: var(--gap-4);
  align-items: start;
}
.skills {
  columns: 2 280px;
  column-gap: var(--gap-4);
}
.target {
  break-inside: avoid;
  margin-bottom: var(--gap-3);
}
.target h3 {
  margin-bottom: 2px;
}
.key {
  column-span: all;
}
.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  border-radius: 50%;
  background: var(--water);
}
.bar {
  display: inline-block;
  width: 22px;
  height: 3px;
  background: var(--ink);
  margin: 0 4px 4px 12px;
}
.flag {
  display: inline-block;
  width: 4px;
  height: 14px;
  background: var(--brass);
  margin-left: 12px;
}
@media (max-width: 1000px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
