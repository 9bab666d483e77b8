<script setup lang="ts">
import type { Schemas } from '@/api/client'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'

/** A thing, added with one tap; then how many, by stepper. */
const { thing, count } = defineProps<{ thing: Schemas['ShelfThing']; count: number }>()
const emit = defineEmits<{ set: [count: number] }>()
</script>

<template>
  <li :class="{ yes: count }">
    <button
      type="button"
      class="thing"
      :aria-pressed="count > 0"
      :aria-label="thing.name"
      @click="emit('set', count ? 0 : thing.usual_count)"
    >
      <ActivityPicture class="pic" :picture="thing.picture" />
      <span>{{ thing.name }}</span>
    </button>
    <div v-if="count" class="steps">
      <button type="button" :aria-label="`One fewer: ${thing.name}`" @click="emit('set', Math.max(0, count - 1))">
        −
      </button>
      <input
        type="number"
        inputmode="numeric"
        min="0"
        max="9999"
        :value="count"
        :aria-label="`How many: ${thing.name}`"
        @change="
          emit('set', Math.min(9999, Math.max(0, Math.round(Number(($event.target as HTMLInputElement).value)))))
        "
      />
      <button type="button" :aria-label="`One more: ${thing.name}`" @click="emit('set', count + 1)">+</button>
    </div>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-direction: column;
  border: 2px solid var(--line);
  border-radius: var(--round);
  background: var(--sheet);
  overflow: hidden;
}
.yes {
  border-color: var(--water);
  background: var(--water-soft);
}
.thing {
  flex: 1;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 4px;
  padding: 8px 6px;
  border: 0;
  background: none;
  color: var(--ink);
  font-size: var(--step-0);
  line-height: 1.25;
  text-align: center;
  cursor: pointer;
}
.pic :deep(svg.picture) {
  height: 56px;
}
.yes .thing {
  font-weight: 700;
}
.steps {
  display: grid;
  grid-template-columns: 44px 1fr 44px;
  border-top: 1px solid var(--line);
}
.steps button,
.steps input {
  min-height: 44px;
  min-width: 0;
  border: 0;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  text-align: center;
}
.steps input {
  appearance: textfield;
}
.steps button {
  cursor: pointer;
  font-weight: 700;
}
</style>
