<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Reach } from '@/logic/library'
import LibraryDials from '@/components/library/LibraryDials.vue'
import TargetSign from '@/components/shared/TargetSign.vue'

const { reach, childId, homeId } = defineProps<{ reach: Reach; childId: number; homeId: number }>()
const open = ref(false)
const low = computed(() => Math.min(reach.least, reach.mean) - 0.4)
const high = computed(() => Math.max(reach.most, reach.mean) + 0.4)
const across = (rung: number): number => 8 + ((rung - low.value) / (high.value - low.value)) * 184
</script>

<template>
  <li>
    <TargetSign :target="reach.target" :size="26" />
    <div>
      <button type="button" class="name" :aria-expanded="open" @click="open = !open">{{ reach.name }}</button>
      {{ ' ' }}<span class="soft small">{{ reach.group }}</span>
      <p class="small">
        {{ reach.strand_name
        }}<span v-if="reach.also.length" class="soft">, also {{ reach.also.join(', ').toLowerCase() }}</span>
      </p>
    </div>
    <svg
      viewBox="0 0 200 24"
      role="img"
      :aria-label="
        reach.low == null
          ? 'no grade on offer here'
          : `rungs ${reach.low.toFixed(1)} to ${reach.high!.toFixed(1)} on offer; the child is at ${reach.mean.toFixed(1)}`
      "
    >
      <line :x1="across(reach.least)" :x2="across(reach.most)" y1="12" y2="12" class="all" />
      <line
        v-if="reach.low != null"
        :x1="across(reach.low)"
        :x2="across(reach.high!)"
        y1="12"
        y2="12"
        :class="['here', reach.target]"
      />
      <circle :cx="across(reach.mean)" cy="12" r="6" class="child" />
    </svg>
    <p v-if="reach.offered" class="small">
      <strong>{{ reach.expected_words }}</strong> at {{ reach.nearest_words.join(' · ') }}
    </p>
    <p v-else class="small">{{ reach.why_not }}</p>
    <p class="small soft">
      {{ reach.offered }} of {{ reach.grades }} grades<template v-if="reach.opens"
        >. {{ reach.to_add }} Opens {{ reach.opens }} more.</template
      >
    </p>
    <LibraryDials v-if="open" :reach="reach" :child-id="childId" :home-id="homeId" />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 28px 230px 180px 1fr 270px;
  gap: var(--gap-3);
  align-items: center;
  padding: 7px var(--gap-3);
  border-top: 1px solid var(--line);
}
li:first-child {
  border-top: 0;
}
.name {
  border: 0;
  background: none;
  padding: 0;
  color: var(--water);
  font-weight: 700;
  font-size: var(--step-1);
  text-decoration: underline;
  cursor: pointer;
  min-height: 32px;
}
.all {
  stroke: var(--line-strong);
  stroke-width: 2;
}
.here {
  stroke: var(--target);
  stroke-width: 9;
  stroke-linecap: round;
  stroke-opacity: 0.6;
}
.child {
  fill: var(--water);
  stroke: var(--sheet);
  stroke-width: 2;
}
@media (max-width: 1000px) {
  li {
    grid-template-columns: 28px 1fr;
  }
}
</style>
