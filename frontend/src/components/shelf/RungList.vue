<script setup lang="ts">
import { computed } from 'vue'
import { useWords } from '@/composables/useWords'
import PlainButton from '@/components/shared/PlainButton.vue'

/** Strands with the rung each stands at, its words beside it; one is added from a list, and any but a kept one removed. */
const values = defineModel<Record<string, number>>({ required: true })
const {
  of,
  add,
  start = 2,
  keepFirst = false,
  whole = false,
  without = {},
} = defineProps<{
  of: string // what the rungs belong to, read out before each strand's name: "Trains"
  add: string // what the list to add from is called
  start?: number // the rung a new one begins at
  keepFirst?: boolean // the first can't be removed
  whole?: boolean // whole rungs only, from the first
  without?: Record<string, unknown> // strands that are not offered
}>()
const map = useWords()
const strands = computed(() => map.value?.strands ?? [])
const free = computed(() => strands.value.filter((s) => !(s.id in values.value) && !(s.id in without)))
const rows = computed(() =>
  Object.entries(values.value).map(([id, rung]) => {
    const strand = strands.value.find((s) => s.id === id)
    return { id, rung, name: strand?.name ?? id, words: strand?.rungs[Math.round(rung) - 1]?.words }
  }),
)

function set(id: string, rung: number | undefined): void {
  const now = { ...values.value }
  if (rung === undefined) delete now[id]
  else now[id] = rung
  values.value = now
}
</script>

<template>
  <ul>
    <li v-for="(row, n) in rows" :key="row.id" class="row">
      <slot :id="row.id" name="strand" :n="n"
        ><span>{{ row.name }}, rung</span></slot
      >
      <el-input-number
        :model-value="row.rung"
        :min="whole ? 1 : 0"
        :max="14"
        :step="whole ? 1 : 0.5"
        :step-strictly="whole"
        size="small"
        :aria-label="`${of} ${row.name.toLowerCase()}, rung`"
        @update:model-value="set(row.id, $event ?? (whole ? 1 : 0))"
      />
      <span class="soft small words">{{ row.words }}</span>
      <PlainButton
        v-if="n || !keepFirst"
        :aria-label="`Remove: ${of.toLowerCase()} ${row.name.toLowerCase()}`"
        @click="set(row.id, undefined)"
      >
        ✕
      </PlainButton>
    </li>
    <li>
      <el-select
        :model-value="''"
        filterable
        class="add"
        :placeholder="`${add}…`"
        :aria-label="add"
        @update:model-value="set($event, start)"
        ><el-option v-for="s in free" :key="s.id" :value="s.id" :label="s.name"
      /></el-select>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
.words {
  flex: 1 1 160px;
}
.add {
  width: 230px;
}
</style>
