<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'

/** Measures odd things with water, coins, kitchen scales or known widths; the core does the arithmetic. */
const { fields } = defineProps<{ fields: string[] }>()
const emit = defineEmits<{ found: [field: string, value: number] }>()
type Way = Schemas['MeasuringIn']['way']
const ways = computed(() =>
  (
    [
      { id: 'water', field: 'force_newton', words: 'Hang a bag of water on it until it opens' },
      { id: 'coins', field: 'force_newton', words: 'Hang a bag of coins on it until it opens' },
      { id: 'pile', field: 'sheet_gsm', words: 'Weigh a pile of sheets' },
      { id: 'passes', field: 'hole_mm', words: 'See what passes the hole' },
    ] satisfies { id: Way; field: string; words: string }[]
  ).filter((w) => fields.includes(w.field)),
)
const way = ref<Way | ''>('')
const form = reactive({
  water_ml: 500,
  coins: 50,
  coin_grams: 7,
  pile_grams: 100,
  sheets: 20,
  side_a: 297,
  side_b: 210,
  passes: '4 6',
  stops: '9',
})
const said = ref('')
const numbers = (text: string): number[] =>
  text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number)
    .filter(Number.isFinite)

async function measure(): Promise<void> {
  said.value = ''
  if (!way.value) return
  const { side_a, side_b, passes, stops, ...rest } = form
  try {
    const found = await unwrap(
      api.POST('/api/measuring', {
        body: {
          ...rest,
          way: way.value,
          side_mm: [side_a, side_b],
          passes_mm: numbers(passes),
          stops_mm: numbers(stops),
        },
      }),
    )
    said.value = found.words
    emit('found', found.field, found.value)
  } catch (problem) {
    said.value = (problem as Error).message
  }
}
</script>

<template>
  <div v-if="ways.length" class="stack help">
    <div class="row">
      <span class="soft small">No gauge?</span
      ><PlainButton v-for="w in ways" :key="w.id" :aria-pressed="way === w.id" @click="way = w.id">
        {{ w.words }}
      </PlainButton>
    </div>
    <div v-if="way" class="row">
      <label v-if="way === 'water'">Water, ml <el-input-number v-model="form.water_ml" :controls="false" /></label>
      <template v-if="way === 'coins'"
        ><label>Coins <el-input-number v-model="form.coins" :controls="false" /></label
        ><label>g each <el-input-number v-model="form.coin_grams" :controls="false" /></label
      ></template>
      <template v-if="way === 'pile'"
        ><label>Pile, g <el-input-number v-model="form.pile_grams" :controls="false" /></label
        ><label>Sheets <el-input-number v-model="form.sheets" :controls="false" /></label
        ><label
          >Sides, mm <el-input-number v-model="form.side_a" :controls="false" /> ×
          <el-input-number v-model="form.side_b" :controls="false" /></label
      ></template>
      <template v-if="way === 'passes'"
        ><label>Passes, mm <el-input v-model="form.passes" /></label
        ><label>Does not, mm <el-input v-model="form.stops" /></label
      ></template>
      <PlainButton @click="measure">Work it out</PlainButton>
    </div>
    <p v-if="said" aria-live="polite">
      <strong>{{ said }}</strong>
    </p>
  </div>
</template>

<style scoped>
.help {
  border-top: 1px solid var(--line);
  padding: var(--gap-2) 0;
}
.help :deep(.el-input-number),
.help :deep(.el-input) {
  width: 84px;
}
</style>
