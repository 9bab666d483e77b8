<script setup lang="ts">
/** Why it is this plan and no other, for who asks: how much of the time counts, and whether anything could beat it. */
const {
  status,
  wellSpent,
  bound,
  learned = '',
  each = '',
} = defineProps<{
  status: string
  wellSpent: number
  bound: number
  learned?: string | null
  each?: string
}>()
</script>

<template>
  <details v-if="status !== 'infeasible'" class="small">
    <summary class="soft">{{ status === 'given' ? 'arranged by hand' : 'why this one?' }}</summary>
    <p>
      Weighed, its minutes at work come to {{ wellSpent.toFixed(1) }}{{ each }}: each counts for how much the skill is
      needed, how well the grade fits and how fresh it is, and for less the longer one skill is worked on.
      <template v-if="status === 'optimal'">No other choice from these things makes more of the time.</template>
      <template v-else-if="status === 'feasible'"
        >It is the best found in the time there was; none could make more than {{ bound.toFixed(1) }}.</template
      >
      <template v-if="learned">Worked out with version {{ learned }} of the library.</template>
    </p>
  </details>
</template>

<style scoped>
details {
  display: inline-block;
  position: relative;
}
summary {
  cursor: pointer;
  min-height: 24px;
}
p {
  position: absolute;
  z-index: 2;
  width: min(46ch, 80vw);
  margin: 4px 0 0;
  padding: 8px 12px;
  border: 1px solid var(--line-strong);
  border-radius: 10px;
  background: var(--sheet);
}
</style>
