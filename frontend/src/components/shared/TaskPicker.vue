<script setup lang="ts">
import { computed } from 'vue'
import { useWords } from '@/composables/useWords'

/** The daily tasks a family wants, in the order they are chosen: the first is the most wanted. */
const wanted = defineModel<string[]>({ required: true })
const words = useWords()
const name = (id: string): string => words.value?.wanted_tasks.find((t) => t.id === id)?.name ?? id

/** Chosen, and nothing in the library practises it. */
const unpractised = computed(() =>
  wanted.value.filter((id) => words.value?.wanted_tasks.find((t) => t.id === id)?.has_practice === false).map(name),
)

function raise(at: number): void {
  const now = [...wanted.value]
  ;[now[at - 1], now[at]] = [now[at]!, now[at - 1]!]
  wanted.value = now
}
</script>

<template>
  <div class="tasks">
    <el-select
      v-model="wanted"
      multiple
      filterable
      :reserve-keyword="false"
      placeholder="Choose; the most wanted first"
      aria-label="Daily tasks wanted"
      ><el-option v-for="t in words?.wanted_tasks" :key="t.id" :value="t.id" :label="t.name"
        >{{ t.name }}<span v-if="!t.has_practice" class="small soft"> · no activity of its own yet</span></el-option
      ></el-select
    >
    <p v-if="unpractised.length" class="small" role="status">
      No activity here practises {{ unpractised.map((n) => `“${n}”`).join(' or ') }} yet. Plans train the skills it
      needs; practise the task where it comes up in the day.
    </p>
    <ol v-if="wanted.length > 1">
      <li v-for="(id, i) in wanted" :key="id">
        {{ name(id) }}
        <button v-if="i" type="button" class="up" :aria-label="`${name(id)}: more wanted`" @click="raise(i)">
          ▴ more wanted
        </button>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.tasks {
  width: 100%;
}
ol {
  margin: 4px 0 0;
  padding-left: 22px;
  line-height: 1.5;
}
.up {
  border: 0;
  background: none;
  color: var(--water);
  text-decoration: underline;
  cursor: pointer;
  min-height: 28px;
}
</style>
