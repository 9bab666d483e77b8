<script setup lang="ts" generic="T extends string | number | boolean">
import { nextTick, useTemplateRef } from 'vue'

/** One of a few, all in sight: chosen by a press, or with the arrow keys once one of them has the focus. */
const { options } = defineProps<{
  options: { id: T; words: string; hint?: string }[]
  label: string
  small?: boolean
}>()
const chosen = defineModel<T>({ required: true })
const buttons = useTemplateRef<HTMLButtonElement[]>('buttons')

async function key(event: KeyboardEvent): Promise<void> {
  const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  const at = (options.findIndex((o) => o.id === chosen.value) + by + options.length) % options.length
  chosen.value = options[at]!.id
  await nextTick()
  buttons.value?.[at]?.focus()
}
/** The one the Tab key comes to: what is chosen, or the first where nothing is yet. */
const first = (i: number): boolean => !i && options.every((o) => o.id !== chosen.value)
</script>

<template>
  <div class="row" role="radiogroup" :aria-label="label" @keydown="key">
    <button
      v-for="(o, i) in options"
      :key="String(o.id)"
      ref="buttons"
      type="button"
      role="radio"
      class="pick"
      :class="{ 'small-pick': small }"
      :aria-checked="chosen === o.id"
      :tabindex="chosen === o.id || first(i) ? 0 : -1"
      :title="o.hint"
      @click="chosen = o.id"
    >
      {{ o.words }}
    </button>
    <slot />
  </div>
</template>
