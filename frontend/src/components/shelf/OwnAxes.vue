<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import NeedsList from '@/components/shelf/NeedsList.vue'
import {
  addAxis,
  addStep,
  harder,
  removeAxis,
  removeStep,
  setHarder,
  type ActivityValues,
  type Need,
  type Step,
} from '@/logic/ownValues'

/** The ways of grading, each from easy to hard: what changes, and how many rungs harder that is. */
const values = defineModel<ActivityValues>({ required: true })
const { at, words, strandName } = defineProps<{
  at: (path: string) => string
  words: Schemas['OwnWords']
  strandName: (id: string) => string
}>()
const open = ref('')
const strands = computed(() => [...Object.keys(values.value.trains), ...Object.keys(values.value.demands ?? {})])
const first = computed(() => strands.value[0] ?? '')

function needsOf(step: Step, role: string): Need[] {
  return step.needs?.[role] ?? []
}
function setNeeds(step: Step, role: string, needs: Need[]): void {
  const rest = { ...step.needs }
  if (needs.length) rest[role] = needs
  else delete rest[role]
  step.needs = rest
}
</script>

<template>
  <section class="stack" aria-labelledby="own-grades">
    <h3 id="own-grades">Grades</h3>
    <p class="soft small">
      Each way of grading runs from easy to hard. A rung is the step from 8 of 10 alone to 5 of 10; start with your
      guess, and the children’s own tries correct it.
    </p>
    <div v-for="(axis, a) in values.axes" :key="axis.id" class="axis">
      <div class="row">
        <el-input v-model="axis.words" class="axis-name" aria-label="What is graded" />
        <PlainButton v-if="values.axes.length > 1" class="push" @click="removeAxis(values, a)"> Remove </PlainButton>
      </div>
      <p v-if="at(`axes.${a}.words`) || at(`axes.${a}.id`)" class="wrong">
        {{ at(`axes.${a}.words`) || at(`axes.${a}.id`) }}
      </p>
      <ol>
        <li v-for="(step, s) in axis.steps" :key="s">
          <div class="line">
            <el-input v-model="step.words" :aria-label="`${axis.words}, step ${s + 1}`" placeholder="at a glance" />
            <el-input
              v-model="step.tell"
              :aria-label="`${axis.words}, step ${s + 1}, said to a parent`"
              placeholder="Said to a parent: a whole sentence."
            />
            <label v-for="strand in s ? (open === `${a}.${s}` ? strands : [first]) : []" :key="strand" class="row small"
              >harder by
              <el-input-number
                :model-value="harder(step, strand, first)"
                :max="12"
                :step="0.1"
                :precision="1"
                size="small"
                :aria-label="`${step.words}: rungs harder in ${strandName(strand)}`"
                @update:model-value="setHarder(step, strand, first, $event ?? 0)"
              />
              {{ strands.length > 1 ? `rungs, ${strandName(strand).toLowerCase()}` : 'rungs' }}</label
            >
            <PlainButton :aria-expanded="open === `${a}.${s}`" @click="open = open === `${a}.${s}` ? '' : `${a}.${s}`">
              More
            </PlainButton>
            <PlainButton
              v-if="axis.steps.length > 2"
              :aria-label="`Remove ${step.words || 'this step'}`"
              @click="removeStep(values, axis, s)"
            >
              ✕
            </PlainButton>
          </div>
          <p v-if="at(`axes.${a}.steps.${s}`)" class="wrong" role="alert">{{ at(`axes.${a}.steps.${s}`) }}</p>
          <div v-if="open === `${a}.${s}`" class="stack inside">
            <div v-for="role in values.roles" :key="role.id">
              <p class="small">
                <strong>{{ role.words }}</strong> at this grade
              </p>
              <NeedsList
                :model-value="needsOf(step, role.id)"
                :words="words"
                :form="role.form"
                :label="`${role.words} at ${step.words}`"
                @update:model-value="setNeeds(step, role.id, $event)"
              />
            </div>
          </div>
        </li>
      </ol>
      <PlainButton @click="addStep(values, axis)">Add a harder step</PlainButton>
    </div>
    <p v-if="at('axes')" class="wrong">{{ values.axes.length ? '' : at('axes') }}</p>
    <PlainButton v-if="values.axes.length < 5" @click="addAxis(values, 'Another way')">
      Add another way of grading
    </PlainButton>
  </section>
</template>

<style scoped>
.axis {
  border: 1px solid var(--line);
  border-radius: var(--round);
  padding: var(--gap-2) var(--gap-3);
}
.axis-name {
  width: min(260px, 70%);
}
ol {
  margin: 8px 0;
  padding-left: 22px;
}
li {
  margin-bottom: 8px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.line > :deep(.el-input) {
  flex: 1 1 170px;
}
.line > :deep(.el-input:nth-child(2)) {
  flex-grow: 2;
}
.line :deep(.el-input-number) {
  width: 104px;
}
.inside {
  padding: 6px 0 0;
}
.push {
  margin-left: auto;
}
.wrong {
  color: var(--barred);
}
</style>
