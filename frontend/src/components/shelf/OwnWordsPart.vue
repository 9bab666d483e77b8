<script setup lang="ts">
import type { ActivityValues } from '@/logic/ownValues'
import PlainButton from '@/components/shared/PlainButton.vue'

/** What everybody reads: the name, what the child does, step by step, and when it counts. */
const values = defineModel<ActivityValues>({ required: true })
const { at } = defineProps<{ at: (path: string) => string }>()
const HELP = [
  { id: 'mark', words: 'A mark to look at', hint: 'Dots for thumb and fingers' },
  { id: 'shown', words: 'What you show once', hint: 'Do one yourself, slowly' },
  { id: 'touch', words: 'Where you touch', hint: 'Tap the finger that works' },
  { id: 'steadied', words: 'What you hold still', hint: 'Hold the pot' },
]

function setCue(id: string, words: string): void {
  if (words) values.value.cues[id] = words
  else delete values.value.cues[id]
}
</script>

<template>
  <section class="stack" aria-labelledby="own-words">
    <h3 id="own-words">In words</h3>
    <el-form-item label="Name" :error="at('name')">
      <el-input v-model="values.name" maxlength="80" placeholder="Short and plain: what it is" />
    </el-form-item>
    <el-form-item label="What the child does" :error="at('does')">
      <el-input v-model="values.does" type="textarea" autosize placeholder="Your child…" />
    </el-form-item>
    <el-form-item
      label="Step by step, two to five; the adult’s begin with “You:”. {skill} and {helper} become the child’s own hands."
      :error="at('steps')"
    >
      <ol class="steps">
        <li v-for="(_, i) in values.steps" :key="i">
          <el-input v-model="values.steps[i]" :aria-label="`Step ${i + 1}`" type="textarea" autosize />
          <PlainButton
            v-if="values.steps.length > 2"
            :aria-label="`Remove step ${i + 1}`"
            @click="values.steps.splice(i, 1)"
          >
            ✕
          </PlainButton>
        </li>
      </ol>
      <PlainButton v-if="values.steps.length < 5" @click="values.steps.push('')"> Add a step </PlainButton>
    </el-form-item>
    <div class="pair">
      <el-form-item label="It counts when" :error="at('counts_when')">
        <el-input v-model="values.counts_when" type="textarea" autosize />
      </el-form-item>
      <el-form-item label="You say" :error="at('say')">
        <el-input v-model="values.say" type="textarea" autosize />
      </el-form-item>
      <el-form-item label="What daily life needs it for" :error="at('why')">
        <el-input v-model="values.why" type="textarea" autosize />
      </el-form-item>
      <el-form-item label="Stop when" :error="at('stop')">
        <el-input v-model="values.stop" type="textarea" autosize />
      </el-form-item>
      <el-form-item label="One try is called" :error="at('unit.one')">
        <el-input v-model="values.unit.one" placeholder="peg" />
      </el-form-item>
      <el-form-item label="Several are called" :error="at('unit.many')">
        <el-input v-model="values.unit.many" placeholder="pegs" />
      </el-form-item>
    </div>
    <details>
      <summary>Help, least first</summary>
      <div class="pair">
        <el-form-item v-for="h in HELP" :key="h.id" :label="h.words" :error="at(`cues.${h.id}`)">
          <el-input
            :model-value="values.cues[h.id] ?? ''"
            :placeholder="h.hint"
            :aria-label="h.words"
            @update:model-value="setCue(h.id, $event)"
          />
        </el-form-item>
      </div>
    </details>
  </section>
</template>

<style scoped>
.steps {
  width: 100%;
  margin: 0 0 6px;
  padding-left: 22px;
}
.steps li {
  margin-bottom: 6px;
}
.steps li :deep(.el-textarea) {
  width: calc(100% - 60px);
  vertical-align: top;
  margin-right: 8px;
}
summary {
  min-height: var(--touch);
  display: list-item;
  padding-top: 10px;
  cursor: pointer;
}
</style>
