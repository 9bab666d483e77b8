<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { setAlong, type ActivityValues, type Drawn, type Frame } from '@/logic/ownValues'
import PlainButton from '@/components/shared/PlainButton.vue'

/** The picture, frame by frame: an act, the things it is done with, and what changes with the grade. */
const values = defineModel<ActivityValues>({ required: true })
const { at, words } = defineProps<{ at: (path: string) => string; words: Schemas['OwnWords'] }>()
const acts = computed(() => new Map(words.acts.map((a) => [a.id, a])))
const takes = (frame: Frame): Schemas['ActInput'][] => acts.value.get(frame.act)?.takes ?? []

/** Another act: what it takes in common stays, and a role it needs is the first there is. */
function setAct(frame: Frame, id: string): void {
  for (const key of Object.keys(frame)) if (key !== 'act') delete frame[key]
  frame.act = id
  const roles = values.value.roles.map((r) => r.id)
  for (const input of takes(frame)) {
    if (input.kind === 'role' && roles.length) frame[input.key] = roles.includes(input.key) ? input.key : ''
    if (frame[input.key] === '') delete frame[input.key]
  }
  const [thing] = takes(frame).filter((t) => t.kind === 'role')
  if (thing && !(thing.key in frame) && roles[0]) frame[thing.key] = roles[0]
}

const EVERY = 'every'
const alongOf = (frame: Frame, key: string): string => {
  const value = frame[key]
  return typeof value === 'object' ? value.axis : ''
}
const labels = (frame: Frame, key: string): string[] => {
  const axis = values.value.axes.find((a) => a.id === alongOf(frame, key))
  return axis ? axis.steps.map((s) => s.words) : ['']
}
const valueAt = (frame: Frame, key: string, i: number): Drawn => {
  const value = frame[key]
  return typeof value === 'object' ? (value.of[i] ?? '') : (value ?? '')
}
function setAt(frame: Frame, key: string, i: number, to: Drawn | undefined): void {
  const value = frame[key]
  if (typeof value === 'object') value.of[i] = to ?? ''
  else if (to === undefined || to === '') delete frame[key]
  else frame[key] = to
}
const axisOf = (id: string): ActivityValues['axes'][number] | null => values.value.axes.find((a) => a.id === id) ?? null
</script>

<template>
  <section class="stack" aria-labelledby="own-picture">
    <h3 id="own-picture">Picture</h3>
    <div v-for="(frame, f) in values.picture" :key="f" class="frame">
      <div class="row">
        <el-select
          :model-value="frame.act"
          filterable
          class="act"
          :aria-label="`Frame ${f + 1}: what is seen`"
          @update:model-value="setAct(frame, $event)"
          ><el-option v-for="a in words.acts" :key="a.id" :value="a.id" :label="a.name"
        /></el-select>
        <PlainButton
          v-if="values.picture.length > 1"
          :aria-label="`Remove frame ${f + 1}`"
          @click="values.picture.splice(f, 1)"
        >
          ✕
        </PlainButton>
      </div>
      <p v-if="at(`picture.${f}`)" class="wrong" role="alert">{{ at(`picture.${f}`) }}</p>
      <dl>
        <template v-for="input in takes(frame)" :key="input.key">
          <dt>{{ input.key.replaceAll('_', ' ') }}</dt>
          <dd class="row">
            <el-select
              v-if="input.kind === 'role'"
              :model-value="String(valueAt(frame, input.key, 0))"
              size="small"
              clearable
              placeholder="none"
              :aria-label="`Frame ${f + 1}, ${input.key}`"
              @update:model-value="setAt(frame, input.key, 0, $event)"
              ><el-option v-for="r in values.roles" :key="r.id" :value="r.id" :label="r.words"
            /></el-select>
            <template v-else>
              <label v-for="(label, i) in labels(frame, input.key)" :key="i" class="row small"
                >{{ label }}
                <el-select
                  v-if="input.kind === 'word'"
                  :model-value="String(valueAt(frame, input.key, i))"
                  size="small"
                  clearable
                  placeholder="usual"
                  :aria-label="`Frame ${f + 1}, ${input.key} ${label}`"
                  @update:model-value="setAt(frame, input.key, i, $event)"
                  ><el-option v-for="o in input.options" :key="o" :value="o" :label="o.replaceAll('_', ' ')"
                /></el-select>
                <el-input
                  v-else-if="input.kind === 'text'"
                  :model-value="String(valueAt(frame, input.key, i))"
                  size="small"
                  :aria-label="`Frame ${f + 1}, ${input.key} ${label}`"
                  @update:model-value="setAt(frame, input.key, i, $event)" />
                <el-input-number
                  v-else-if="input.kind === 'number'"
                  :model-value="Number(valueAt(frame, input.key, i)) || undefined"
                  size="small"
                  :controls="false"
                  :aria-label="`Frame ${f + 1}, ${input.key} ${label}`"
                  @update:model-value="setAt(frame, input.key, i, $event ?? undefined)" />
                <el-checkbox
                  v-else
                  :model-value="Boolean(valueAt(frame, input.key, i))"
                  :aria-label="`Frame ${f + 1}, ${input.key} ${label}`"
                  @update:model-value="setAt(frame, input.key, i, Boolean($event))"
              /></label>
              <el-select
                :model-value="alongOf(frame, input.key) || EVERY"
                size="small"
                class="along"
                :aria-label="`Frame ${f + 1}, ${input.key}: changes with`"
                @update:model-value="setAlong(frame, input.key, axisOf($event))"
                ><el-option :value="EVERY" label="at every grade" /><el-option
                  v-for="a in values.axes"
                  :key="a.id"
                  :value="a.id"
                  :label="`by ${a.words.toLowerCase()}`"
              /></el-select>
            </template>
          </dd>
        </template>
      </dl>
    </div>
    <PlainButton v-if="values.picture.length < 4" @click="values.picture.push({ act: 'put' })">
      Add a frame
    </PlainButton>
  </section>
</template>

<style scoped>
.frame {
  border: 1px solid var(--line);
  border-radius: var(--round);
  padding: var(--gap-2) var(--gap-3);
}
.act {
  flex: 1 1 240px;
}
dl {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 4px var(--gap-2);
  margin: 6px 0 0;
  align-items: center;
}
dd {
  margin: 0;
}
dd :deep(.el-select),
dd :deep(.el-input),
dd :deep(.el-input-number) {
  width: 130px;
}
.wrong {
  color: var(--barred);
}
</style>
