<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { stretched, type Block } from '@/composables/useBench'
import TargetSign from '@/components/shared/TargetSign.vue'

const { blocks, asked, most, names } = defineProps<{
  blocks: Block[]
  asked: number
  most: number
  names: Record<string, string>
}>()
const emit = defineEmits<{ move: [from: number, by: number]; stretch: [at: number, by: number] }>()
const at = defineModel<number>('at', { required: true })
const total = computed(() => blocks.reduce((sum, b) => sum + b.minutes + b.setup_minutes, 0))
let dragged = -1

function drop(to: number): void {
  if (dragged >= 0 && dragged !== to) emit('move', dragged, to - dragged)
  dragged = -1
}

const strip = useTemplateRef<HTMLOListElement>('strip')
const pulled = ref<{ at: number; from: number; sets: number } | null>(null)
const perSet = (b: Block): number => b.minutes / Math.max(b.sets, 1)
const shownSets = (b: Block, i: number): number => (pulled.value?.at === i ? pulled.value.sets : b.sets)
const shownMinutes = (b: Block, i: number): number =>
  pulled.value?.at === i ? Math.ceil(pulled.value.sets * perSet(b) * 2) / 2 : b.minutes

/** Pull a block's right edge: pointer or touch, a set for each length of one. */
function grip(event: PointerEvent, i: number): void {
  const handle = event.currentTarget as HTMLElement
  handle.setPointerCapture(event.pointerId)
  pulled.value = { at: i, from: event.clientX, sets: blocks[i]!.sets }
}

function pull(event: PointerEvent): void {
  const now = pulled.value
  if (!now || !strip.value) return
  const block = blocks[now.at]!
  const set = (perSet(block) * strip.value.clientWidth) / Math.max(total.value, 1)
  now.sets = stretched(block.sets, Math.round((event.clientX - now.from) / Math.max(set, 1)), most)
}

function letGo(): void {
  const now = pulled.value
  pulled.value = null
  if (now && blocks[now.at] && now.sets !== blocks[now.at]!.sets)
    emit('stretch', now.at, now.sets - blocks[now.at]!.sets)
}

function key(event: KeyboardEvent, index: number): void {
  if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
    event.preventDefault()
    emit('move', index, event.key === 'ArrowLeft' ? -1 : 1)
  } else if (event.shiftKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
    event.preventDefault()
    emit('stretch', index, event.key === 'ArrowLeft' ? -1 : 1)
  }
}
</script>

<template>
  <div class="table">
    <ol
      ref="strip"
      class="strip"
      aria-label="Blocks in order. Alt and arrow keys move one, Shift and arrow keys stretch it."
    >
      <li v-for="(b, i) in blocks" :key="b.activity_id" :style="{ flexGrow: shownMinutes(b, i) + b.setup_minutes }">
        <button
          type="button"
          draggable="true"
          :class="['block', b.target, { chosen: i === at, tiring: b.tiring, gone: b.problem }]"
          :aria-current="i === at"
          @click="at = i"
          @dragstart="dragged = i"
          @dragover.prevent
          @drop="drop(i)"
          @keydown="key($event, i)"
        >
          <span class="part small">{{ names[b.part] }}<span v-if="b.locked" aria-label="locked"> ⚿</span></span>
          <strong>{{ b.name }}</strong>
          <span class="row bottom small"
            ><TargetSign :target="b.target" :size="17" /> {{ shownSets(b, i) }} × {{ b.count }} ·
            {{ shownMinutes(b, i) }} min</span
          >
          <span class="small">{{ b.problem ? 'can’t stay' : b.expected_words }}</span>
        </button>
        <span
          class="handle"
          aria-hidden="true"
          title="Pull to stretch"
          @pointerdown.prevent="grip($event, i)"
          @pointermove="pull"
          @pointerup="letGo"
          @pointercancel="pulled = null"
        ></span>
      </li>
    </ol>
    <div class="ruler" aria-hidden="true">
      <span
        v-for="m in Math.floor(Math.max(total, asked) / 5) + 1"
        :key="m"
        :style="{ left: `${((m - 1) * 500) / Math.max(total, 1)}%` }"
        >{{ (m - 1) * 5 }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.table {
  background: var(--board);
  border: 1px solid var(--line);
  border-bottom: 6px solid var(--line-strong);
  border-radius: var(--round);
  padding: var(--gap-3) var(--gap-3) 4px;
  overflow-x: auto;
}
.strip {
  display: flex;
  gap: 4px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.strip li {
  flex-basis: 96px;
  min-width: 96px;
  position: relative;
}
.handle {
  position: absolute;
  top: 8px;
  bottom: 0;
  right: -3px;
  width: 16px;
  border-right: 4px dotted var(--line-strong);
  cursor: ew-resize;
  touch-action: none;
}
.block {
  width: 100%;
  height: 100%;
  min-height: 104px;
  display: grid;
  align-content: start;
  gap: 1px;
  text-align: left;
  padding: 8px 9px;
  border: 1px solid var(--line-strong);
  border-top: 7px solid var(--target);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  line-height: 1.2;
  cursor: grab;
}
.bottom {
  align-self: end;
  gap: 5px;
}
.block.chosen {
  outline: 3px solid var(--water);
  outline-offset: 1px;
}
.block.tiring {
  background: repeating-linear-gradient(135deg, var(--sheet) 0 9px, var(--paper) 9px 18px);
}
.block.gone {
  background: var(--barred-soft);
}
.ruler {
  position: relative;
  height: 20px;
  font-size: 0.8rem;
  color: var(--ink-soft);
  overflow: hidden;
}
.ruler span {
  position: absolute;
}
</style>
