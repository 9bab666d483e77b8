<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'

/**
 * What is read off by hand: press the measure, set the number with big steps, keep it. Words where a number says
 * nothing.
 */
const { asked, read } = defineProps<{ asked: Schemas['AskedOut'][]; read: Record<string, number> }>()
const emit = defineEmits<{ measure: [id: string, value: number] }>()
const open = ref('')
const value = ref(0)

function start(m: Schemas['AskedOut']): void {
  open.value = open.value === m.id ? '' : m.id
  value.value = read[m.id] ?? m.usual ?? Math.max(m.lowest, m.unit === '%' ? 50 : Math.min(m.step * 4, m.highest))
}
function step(m: Schemas['AskedOut'], by: number): void {
  value.value = Math.min(m.highest, Math.max(m.lowest, Math.round((value.value + by * m.step) / m.step) * m.step))
}
function keep(m: Schemas['AskedOut'], said = value.value): void {
  emit('measure', m.id, said)
  open.value = ''
}
const shown = (m: Schemas['AskedOut'], v: number): string =>
  m.choices.length ? (m.choices[Math.round(v) - 1] ?? '') : `${Number(v.toFixed(1))} ${m.unit}`
</script>

<template>
  <div v-if="asked.length" class="stack" role="group" aria-label="Read off">
    <div class="row">
      <PlainButton v-for="m in asked" :key="m.id" tall :aria-expanded="open === m.id" @click="start(m)">
        {{ m.name }}<strong v-if="read[m.id] !== undefined">&nbsp;{{ shown(m, read[m.id]!) }}</strong>
      </PlainButton>
    </div>
    <template v-for="m in asked" :key="m.id">
      <div v-if="open === m.id && m.choices.length" class="row">
        <PlainButton v-for="(words, i) in m.choices" :key="words" tall @click="keep(m, i + 1)">
          {{ words }}
        </PlainButton>
      </div>
      <div v-else-if="open === m.id" class="row">
        <PlainButton tall class="step" :aria-label="`${m.name}: less`" @click="step(m, -1)"> − </PlainButton>
        <strong class="value" aria-live="polite">{{ shown(m, value) }}</strong>
        <PlainButton tall class="step" :aria-label="`${m.name}: more`" @click="step(m, 1)"> + </PlainButton>
        <PlainButton tall class="step" :aria-label="`${m.name}: much more`" @click="step(m, 10)">
          +{{ m.step * 10 }}
        </PlainButton>
        <PlainButton main tall @click="keep(m)">Keep it</PlainButton>
      </div>
    </template>
  </div>
</template>

<style scoped>
.tall {
  min-height: 56px;
}
.step {
  min-width: 64px;
  font-size: var(--step-2);
}
.value {
  min-width: 110px;
  text-align: center;
  font-size: var(--step-3);
}
</style>
