<script setup lang="ts">
import { computed } from 'vue'
import { useWords } from '@/composables/useWords'

/** A clinic's own wanted task: the chain of its steps, in the order they are done, and what each demands of the hands. */
export interface TaskValues {
  name: string
  steps: { words: string; demands: Record<string, number> }[]
  at_home?: string
}
const values = defineModel<TaskValues>({ required: true })
const { at } = defineProps<{ at: (path: string) => string }>()
const map = useWords()
const strands = computed(() => map.value?.strands ?? [])
const nameOf = (id: string): string => strands.value.find((s) => s.id === id)?.name ?? id

function demand(step: number, strand: string, rung: number | undefined): void {
  const one = values.value.steps[step]
  if (!one) return
  const rest = { ...one.demands }
  if (rung === undefined) delete rest[strand]
  else rest[strand] = rung
  one.demands = rest
}
function move(step: number, by: number): void {
  const [one] = values.value.steps.splice(step, 1)
  if (one) values.value.steps.splice(step + by, 0, one)
}
</script>

<template>
  <div class="stack">
    <el-form-item label="What the family wants" :error="at('name')">
      <el-input v-model="values.name" maxlength="60" placeholder="Water the plants" />
    </el-form-item>
    <el-form-item label="When it comes up in a day" :error="at('at_home')">
      <el-input v-model="values.at_home" maxlength="120" placeholder="after breakfast on Sunday" />
    </el-form-item>
    <h3>Its steps, in the order they are done</h3>
    <ol>
      <li v-for="(step, i) in values.steps" :key="i" class="stack">
        <div class="row">
          <el-input v-model="step.words" class="words" :aria-label="`Step ${i + 1}`" placeholder="fill the can" />
          <button
            type="button"
            class="plain-button"
            :disabled="!i"
            :aria-label="`Step ${i + 1} earlier`"
            @click="move(i, -1)"
          >
            ▴
          </button>
          <button
            type="button"
            class="plain-button"
            :disabled="i === values.steps.length - 1"
            :aria-label="`Step ${i + 1} later`"
            @click="move(i, 1)"
          >
            ▾
          </button>
          <button
            v-if="values.steps.length > 2"
            type="button"
            class="plain-button"
            :aria-label="`Remove step ${i + 1}`"
            @click="values.steps.splice(i, 1)"
          >
            ✕
          </button>
        </div>
        <p v-if="at(`steps.${i}`)" class="wrong" role="alert">{{ at(`steps.${i}`) }}</p>
        <div class="row">
          <span v-for="(rung, strand) in step.demands" :key="strand" class="row tag">
            {{ nameOf(String(strand)) }}, rung
            <el-input-number
              :model-value="rung"
              :min="1"
              :max="14"
              size="small"
              :aria-label="`Step ${i + 1}: rung of ${nameOf(String(strand))}`"
              @update:model-value="demand(i, String(strand), $event ?? 1)"
            />
            <button
              type="button"
              class="bare"
              :aria-label="`Step ${i + 1} does not need ${nameOf(String(strand))}`"
              @click="demand(i, String(strand), undefined)"
            >
              ✕
            </button>
          </span>
          <el-select
            :model-value="''"
            filterable
            class="add"
            placeholder="It takes…"
            :aria-label="`Step ${i + 1} takes`"
            @update:model-value="demand(i, $event, 2)"
            ><el-option
              v-for="s in strands.filter((x) => !(x.id in step.demands))"
              :key="s.id"
              :value="s.id"
              :label="s.name"
          /></el-select>
        </div>
      </li>
    </ol>
    <button
      v-if="values.steps.length < 12"
      type="button"
      class="plain-button"
      @click="values.steps.push({ words: '', demands: {} })"
    >
      Add a step
    </button>
  </div>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 24px;
}
li {
  margin-bottom: var(--gap-3);
}
.words {
  flex: 1 1 200px;
}
.add {
  width: 170px;
}
.bare {
  min-width: 32px;
  min-height: 32px;
  border: 0;
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.wrong {
  color: var(--barred);
}
</style>
