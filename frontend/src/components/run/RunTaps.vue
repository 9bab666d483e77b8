<script setup lang="ts">
import { computed } from 'vue'
import { useWords } from '@/composables/useWords'
import { helpChoices, type Support } from '@/logic/tally'

const { helpFirst } = defineProps<{ paused: boolean; more: boolean; helpFirst: boolean; grip: string }>()
const help = defineModel<Support>('help', { required: true })
defineEmits<{ alone: []; helped: []; missed: []; otherGrip: []; undo: []; next: [] }>()
const words = useWords()
const choices = computed(() => helpChoices(words.value?.supports, helpFirst))
/** Under most help first, a try that fails is one that failed with the help it had. */
const missedWith = computed(() =>
  helpFirst && help.value !== 'alone' ? words.value?.supports.find((s) => s.id === help.value)?.name : '',
)
</script>

<template>
  <section class="taps" aria-label="How the try went">
    <button type="button" class="alone" :disabled="paused" @click="$emit('alone')">On their own <kbd>1</kbd></button>
    <button type="button" class="helped" :disabled="paused || help === 'alone'" @click="$emit('helped')">
      With help <kbd>2</kbd>
    </button>
    <div class="helps" role="radiogroup" aria-label="Which help">
      <button
        v-for="s in choices"
        :key="s.id"
        type="button"
        role="radio"
        :aria-checked="help === s.id"
        @click="help = s.id"
      >
        {{ s.name }}
      </button>
    </div>
    <button type="button" class="missed" :disabled="paused" @click="$emit('missed')">
      Not yet <span v-if="missedWith" class="small">with {{ missedWith }}</span> <kbd>3</kbd>
    </button>
    <button
      v-if="grip"
      type="button"
      class="grip"
      :disabled="paused"
      :title="`Counts with: ${grip}`"
      @click="$emit('otherGrip')"
    >
      Reached, other grip <kbd>4</kbd>
    </button>
    <div class="low">
      <button type="button" class="plain-button" @click="$emit('undo')">Undo</button>
      <button type="button" class="plain-button" :disabled="!more" @click="$emit('next')">Next activity</button>
    </div>
  </section>
</template>

<style scoped>
.taps {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
.alone,
.helped,
.missed {
  flex: 1;
  min-height: 72px;
  border-radius: var(--round);
  font-size: var(--step-3);
  font-weight: 700;
  cursor: pointer;
  border: 3px solid var(--ready);
}
.alone {
  flex: 1.7;
  background: var(--ready);
  color: var(--on-water);
}
.helped {
  background: var(--ready-soft);
  color: var(--ink);
}
.missed {
  background: var(--sheet);
  color: var(--ink);
  border-color: var(--ink-soft);
}
.grip {
  min-height: 56px;
  border: 2px dashed var(--ink-soft);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
kbd {
  font: inherit;
  font-weight: 400;
  font-size: var(--step-0);
}
.helps {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
}
.helps button {
  min-height: 56px;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  line-height: 1.1;
  cursor: pointer;
}
.helps button[aria-checked='true'] {
  background: var(--ready-soft);
  border: 2px solid var(--ready);
  font-weight: 700;
}
.low {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 8px;
}
.low button {
  min-height: 56px;
}
button:active:not(:disabled) {
  filter: brightness(0.92);
}
</style>
