<script setup lang="ts">
import PlainButton from '@/components/shared/PlainButton.vue'
import RungList from '@/components/shelf/RungList.vue'

/** A clinic's own wanted task: the chain of its steps, in the order they are done, and what each demands of the hands. */
export interface TaskValues {
  name: string
  steps: { words: string; demands: Record<string, number> }[]
  at_home?: string
}
const values = defineModel<TaskValues>({ required: true })
const { at } = defineProps<{ at: (path: string) => string }>()
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
          <PlainButton :disabled="!i" :aria-label="`Step ${i + 1} earlier`" @click="move(i, -1)"> ▴ </PlainButton>
          <PlainButton
            :disabled="i === values.steps.length - 1"
            :aria-label="`Step ${i + 1} later`"
            @click="move(i, 1)"
          >
            ▾
          </PlainButton>
          <PlainButton
            v-if="values.steps.length > 2"
            :aria-label="`Remove step ${i + 1}`"
            @click="values.steps.splice(i, 1)"
          >
            ✕
          </PlainButton>
        </div>
        <p v-if="at(`steps.${i}`)" class="wrong" role="alert">{{ at(`steps.${i}`) }}</p>
        <RungList v-model="step.demands" :of="`Step ${i + 1} takes`" add="It takes" whole />
      </li>
    </ol>
    <PlainButton v-if="values.steps.length < 12" @click="values.steps.push({ words: '', demands: {} })">
      Add a step
    </PlainButton>
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
.wrong {
  color: var(--barred);
}
</style>
