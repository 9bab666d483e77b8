<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import {
  clockWords,
  paceNow,
  type Rules,
  type RunBlock,
  secondsAtWork,
  secondsOfSet,
  type Tally,
  type Taps,
} from '@/logic/tally'
import SetBeads from '@/components/run/SetBeads.vue'

/** Where the set stands: tries of the count, how each went, and the clocks. */
const { block, taps, rules, tally } = defineProps<{
  block: RunBlock
  taps: Taps
  rules: Rules
  tally: Tally
  inSet: number
}>()
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 500)
const set = computed(() => Math.max(1, Math.ceil(tally.tries / block.count)))
const pace = computed(() => paceNow(taps, block, rules))
</script>

<template>
  <div>
    <p class="big">
      <strong>{{ inSet }}</strong> of {{ block.count }}
      <span class="soft small">{{ block.unit }}, expect {{ block.expected_words }}</span>
      <span v-if="set <= block.sets" class="set"
        >set <strong>{{ set }}</strong> of {{ block.sets }}</span
      >
      <span v-else class="set"
        ><strong>{{ set - block.sets }}</strong> {{ set - block.sets === 1 ? 'set' : 'sets' }} more than planned</span
      >
    </p>
    <SetBeads :row="tally.row.slice(-inSet)" />
    <p v-if="inSet === block.count" class="pause" role="status">
      <template v-if="set < block.sets">Set {{ set }} done: rest {{ Math.round(block.rest_seconds) }} s.</template>
      <template v-else>All {{ tally.tries }} done.</template>
    </p>
    <p class="soft">
      {{ tally.alone }} alone · {{ tally.helped }} with help · {{ tally.missed }} not yet<template v-if="tally.drops">
        · {{ tally.drops }} dropped</template
      >
    </p>
    <p class="soft clocks">
      <span
        >set <strong>{{ clockWords(secondsOfSet(taps, block, now)) }}</strong></span
      ><span
        >activity <strong>{{ clockWords(secondsAtWork(taps, block.id, now)) }}</strong></span
      ><span v-if="pace"
        ><strong>{{ pace.toFixed(0) }}</strong> a minute<template v-if="block.record"
          >, own record {{ block.record.toFixed(0) }}</template
        ></span
      >
    </p>
  </div>
</template>

<style scoped>
.set {
  float: right;
}
.pause {
  font-weight: 700;
}
.big > strong {
  font-size: 3.6rem;
  line-height: 1;
}
.big {
  font-size: var(--step-3);
}
.clocks {
  display: flex;
  gap: var(--gap-3);
}
</style>
