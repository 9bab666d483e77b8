<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import RunAlerts from '@/components/run/RunAlerts.vue'
import SetBeads from '@/components/run/SetBeads.vue'
import type { RunAtTable } from '@/composables/useRun'
import { useRunBlock } from '@/composables/useRunBlock'
import { helpChoices } from '@/logic/tally'

/** One child's place at a shared table: own count, own grade, own help; the activity is everybody's. */
const { table, together } = defineProps<{ table: RunAtTable; together: number }>()
const { run, tap } = table
const at = ref(together) // a child may be at the other activity of a turn, or further on
const { block, tally, help, helpFirst, inSet, rung, rest, said, turn, took } = useRunBlock(table, at)
const say = computed(() => rest.value || said.value?.words)
watch(
  () => together,
  (now) => (at.value = now),
)
watch(at, () => (help.value = 'spoken'))
</script>

<template>
  <section v-if="run && block" :aria-label="run.child_name">
    <header>
      <h2>{{ run.child_name }}</h2>
      <span
        ><strong class="big">{{ inSet }}</strong> of {{ block.count }}</span
      >
    </header>
    <RunAlerts class="small" :alerts="run.alerts" />
    <PlainButton class="mouth" @click="tap(block.id, 'mark', { mark: 'mouths' })"> Mouths an item </PlainButton>
    <SetBeads :row="tally.row.slice(-inSet)" />
    <select
      v-model="at"
      class="activity"
      :class="{ away: at !== together }"
      :aria-label="`Activity of ${run.child_name}`"
    >
      <option v-for="(b, i) in run.blocks" :key="b.id" :value="i">{{ i + 1 }} {{ b.name }}</option>
    </select>
    <p class="small grade">{{ block.grades[rung]?.words.join(' · ') }}</p>
    <p class="say" role="status">
      {{ say || `${tally.alone} alone · ${tally.helped} with help · ${tally.missed} not yet` }}
    </p>
    <button type="button" class="alone" @click="took.alone">On their own</button>
    <div class="two">
      <button type="button" class="helped" :disabled="help === 'alone'" @click="took.helped">With help</button>
      <button type="button" class="missed" @click="took.missed">Not yet</button>
    </div>
    <PlainButton v-if="block.told.grip" class="grip" :title="`Counts with: ${block.told.grip}`" @click="took.otherGrip">
      Reached, other grip
    </PlainButton>
    <label class="small help"
      >Help
      <select v-model="help" :aria-label="`Which help for ${run.child_name}`">
        <option v-for="s in helpChoices(run.supports, helpFirst)" :key="s.id" :value="s.id">{{ s.name }}</option>
      </select></label
    >
    <div class="three">
      <PlainButton :disabled="rung < 1" @click="turn(-1)">Easier</PlainButton>
      <PlainButton @click="took.undo">Undo</PlainButton>
      <PlainButton :disabled="rung >= block.grades.length - 1" @click="turn(1)"> Harder </PlainButton>
    </div>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 10px;
  border: 1px solid var(--line);
  border-top: 6px solid var(--water);
  border-radius: var(--round);
  background: var(--sheet);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.big {
  font-size: 2.4rem;
  line-height: 1;
}
.grade {
  min-height: 2.6em;
}
.say {
  font-weight: 700;
  background: var(--water-soft);
  border-radius: 8px;
  padding: 6px 10px;
  min-height: 4.2em;
}
button.alone,
button.helped,
button.missed {
  border-radius: var(--round);
  border: 3px solid var(--ready);
  font-size: var(--step-2);
  font-weight: 700;
  min-height: 64px;
  cursor: pointer;
}
button.alone {
  min-height: 92px;
  background: var(--ready);
  color: var(--on-water);
}
button.helped {
  background: var(--ready-soft);
  color: var(--ink);
}
button.missed {
  background: var(--sheet);
  color: var(--ink);
  border-color: var(--ink-soft);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 6px;
}
.three .plain-button,
.grip,
.mouth {
  min-height: 56px;
  padding: 0 6px;
}
.mouth {
  border-color: var(--barred);
}
select {
  min-height: 44px;
  width: 100%;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.away {
  background: var(--caution-soft);
}
.help {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px;
  align-items: center;
}
</style>
