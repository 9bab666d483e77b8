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
      {{ wellSpent.toFixed(1) }} minutes at work count in full{{ each }}: each minute counts for how much the skill is
      needed, how well the grade fits and how fresh it is, and less the longer one skill is worked on.
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
  max-width: 46ch;
}
</style>
