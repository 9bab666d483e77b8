<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { helpChoices, type Support } from '@/logic/tally'
import PlainButton from '@/components/shared/PlainButton.vue'

/** What is tapped for a try, always in the same places; and what has to be in reach without looking for it. */
const { helpFirst, supports } = defineProps<{
  paused: boolean
  more: boolean
  helpFirst: boolean
  grip: string
  supports: Schemas['SupportOut'][]
  mouthed: number
}>()
const help = defineModel<Support>('help', { required: true })
defineEmits<{ alone: []; helped: []; missed: []; otherGrip: []; mouths: []; undo: []; next: [] }>()
const choices = computed(() => helpChoices(supports, helpFirst))
/** Under most help first, a try that fails is one that failed with the help it had. */
const missedWith = computed(() =>
  helpFirst && help.value !== 'alone' ? supports.find((s) => s.id === help.value)?.name : '',
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
      <PlainButton @click="$emit('undo')">Undo</PlainButton>
      <PlainButton class="mouth" :class="{ seen: mouthed }" @click="$emit('mouths')">
        Mouths an item<strong v-if="mouthed">&nbsp;×{{ mouthed }}</strong>
      </PlainButton>
      <PlainButton :disabled="!more" @click="$emit('next')">Next activity</PlainButton>
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
  grid-template-columns: 0.8fr 1.2fr 1.2fr;
  gap: 8px;
}
.low button {
  min-height: 56px;
  padding: 0 6px;
  line-height: 1.15;
}
.mouth {
  border-color: var(--barred);
}
.mouth.seen {
  background: var(--caution-soft);
}
@media (max-width: 760px), (max-height: 620px) {
  .helps {
    grid-template-columns: repeat(3, 1fr);
  }
  .alone,
  .helped,
  .missed {
    min-height: 56px;
  }
  .alone {
    min-height: 64px;
  }
}
@media (max-height: 620px) {
  .low {
    position: sticky;
    bottom: 0;
    padding-block: 6px;
    background: var(--paper);
  }
}
button:active:not(:disabled) {
  filter: brightness(0.92);
}
</style>
