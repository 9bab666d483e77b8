<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import { strokeMiddle, strokePath } from '@/logic/strokes'
import ProblemNote from '@/components/shared/ProblemNote.vue'

/**
 * Letters laid from straight and arc pieces: what this kit builds at once, drawn and numbered in writing order, and
 * what to cut.
 */
const { name } = defineProps<{ name: string }>()
const GAP = 30 // hundredths of a letter's height between letters
const shown = ref(false)
const text = ref(name.toUpperCase())
const kit = ref<Schemas['PieceCount'][]>([]) // none: the usual one, which the answer names
const asked = computed(() => ({ text: text.value, kit: kit.value.map((p) => ({ ...p, count: p.count })) }))
const settled = refDebounced(asked, 250)
const { data, error } = useQuery({
  queryKey: ['letters', settled],
  queryFn: () => unwrap(api.POST('/api/letters', { body: settled.value })),
  enabled: () => shown.value,
  placeholderData: keepPreviousData,
  retry: false,
})
watch(data, (found) => {
  if (found && !kit.value.length) kit.value = found.usual.map((p) => ({ ...p }))
})
const placed = computed(() => {
  let x = 0
  return (data.value?.letters ?? []).map((l) => {
    const at = x
    x += l.width + GAP
    return { ...l, at }
  })
})
const width = computed(() => Math.max(120, ...placed.value.map((l) => l.at + l.width)))
const counted = (pieces: Schemas['PieceCount'][]): string =>
  pieces.map((p) => `${p.count} ${p.piece}${p.count > 1 ? 's' : ''}`).join(', ')
</script>

<template>
  <section class="sheet stack">
    <h3>
      <button type="button" class="opens big" :aria-expanded="shown" @click="shown = !shown">
        Letters from straight and arc pieces <span class="soft">what this kit builds, what to cut</span>
      </button>
    </h3>
    <template v-if="shown">
      <div class="row">
        <el-input v-model="text" class="text" maxlength="20" aria-label="Letters to build" />
        <label v-for="p in kit" :key="p.piece" class="row small"
          >{{ p.piece }}s
          <el-input-number
            v-model="p.count"
            :min="0"
            :max="99"
            :controls="false"
            class="count"
            :aria-label="`${p.piece}s in the kit`"
        /></label>
      </div>
      <ProblemNote :error="error" />
      <template v-if="data && !error">
        <svg
          v-if="placed.length"
          :viewBox="`-14 -40 ${width + 28} 156`"
          class="drawn"
          role="img"
          :aria-label="`${text}, ${data.letters.length} letters in ${data.letters.reduce((n, l) => n + l.strokes.length, 0)} pieces`"
        >
          <g v-for="l in placed" :key="l.at" :transform="`translate(${l.at} 0)`">
            <path
              v-for="s in l.strokes"
              :key="s.number"
              :d="strokePath(s)"
              :class="[s.piece.replace(' ', '-'), { swapped: s.instead_of }]"
            >
              <title>{{ s.number }}: {{ s.piece }}, {{ s.where }}</title>
            </path>
            <g
              v-for="(s, i) in l.strokes"
              :key="`n${s.number}`"
              :transform="`translate(${strokeMiddle(s).x} ${strokeMiddle(s).y})`"
            >
              <circle r="9" />
              <text dy="5">{{ i + 1 }}</text>
            </g>
          </g>
        </svg>
        <p v-if="data.short.length" class="notice">
          <strong>Not all at once with this kit.</strong> Cut {{ counted(data.short) }} more, or build one letter at a
          time.
        </p>
        <p v-for="s in data.swaps" :key="s" class="small">Swapped: {{ s }}.</p>
        <p class="small soft">
          For every letter in full, cut {{ counted(data.cut) }}. The numbers are the order of writing.
        </p>
      </template>
    </template>
  </section>
</template>

<style scoped>
.text {
  width: 220px;
}
.count {
  width: 64px;
}
.drawn {
  width: 100%;
  max-height: 190px;
}
path {
  fill: none;
  stroke: var(--water);
  stroke-width: 9;
  stroke-linecap: round;
}
.large-arc,
.small-arc {
  stroke: var(--brass);
}
.swapped {
  stroke-dasharray: 1 13;
}
circle {
  fill: var(--sheet);
  stroke: var(--line-strong);
}
text {
  text-anchor: middle;
  font-size: 14px;
  font-weight: 700;
  fill: var(--ink);
}
</style>
