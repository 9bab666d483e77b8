<script setup lang="ts">
import { useWords } from '@/composables/useWords'
import TargetSign from './TargetSign.vue'

/** The targets to work on, by their signs; plain: signs alone, for narrow places. */
const { plain = false } = defineProps<{ plain?: boolean }>()
const chosen = defineModel<string[]>({ required: true })
const words = useWords()
const toggle = (id: string): void => void (chosen.value = chosen.value.includes(id) ? chosen.value.filter((t) => t !== id) : [...chosen.value, id])
</script>

<template>
  <div class="row">
    <button v-for="t in words?.targets.filter((x) => x.id !== 'daily')" :key="t.id" type="button" class="pick" :aria-pressed="chosen.includes(t.id)" :aria-label="plain ? t.name : undefined" :title="plain ? t.name : undefined" @click="toggle(t.id)"><TargetSign :target="t.id" :size="24" /><template v-if="!plain"> {{ t.name }}</template></button>
  </div>
</template>

<style scoped>
.pick {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 50px;
  min-width: var(--touch);
  padding: 0 12px;
  border: 2px solid var(--line);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
.pick[aria-pressed='true'] {
  border-color: var(--water);
  background: var(--water-soft);
  font-weight: 700;
}
</style>
