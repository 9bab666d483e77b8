<script setup lang="ts">
import { useI18n } from 'vue-i18n'

/** Why it is this plan and no other, for who asks: how much of the time counts, and whether anything could beat it. */
const {
  status,
  wellSpent,
  bound,
  learned = '',
  each = false,
} = defineProps<{
  status: string
  wellSpent: number
  bound: number
  learned?: string | number | null
  each?: boolean
}>()
const { t, n } = useI18n()
const one = { minimumFractionDigits: 1, maximumFractionDigits: 1 }
</script>

<template>
  <details v-if="status !== 'infeasible'" class="small">
    <summary class="soft">{{ status === 'given' ? t('choice.byHand') : t('choice.why') }}</summary>
    <p>
      {{ t(each ? 'choice.weighedEach' : 'choice.weighed', { minutes: n(wellSpent, one) }) }}
      <template v-if="status === 'optimal'">{{ t('choice.proven') }}</template>
      <template v-else-if="status === 'feasible'">{{ t('choice.found', { bound: n(bound, one) }) }}</template>
      {{ ' ' }}<template v-if="learned">{{ t('choice.library', { version: learned }) }}</template>
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
