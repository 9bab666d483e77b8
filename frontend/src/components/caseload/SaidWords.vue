<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { useWords } from '@/composables/useWords'
import { isTicked, keptOnly, keyOf, type Said, ticked, type Ticked, words } from '@/logic/said'

/** What the referral's words say, as ticks in the profile: what is newly read is ticked, one tap takes it back. */
const { text } = defineProps<{ text: string }>()
const form = defineModel<Ticked>({ required: true })
const read = ref<Said[]>([])
const vocabulary = useWords()
const shown = computed(() => [...read.value, ...keptOnly(form.value, read.value, vocabulary.value?.strands ?? [])])
const known = new Set<string>()
let opened = Boolean(text.trim()) // words kept before: what they say was ticked then, or not

async function reading(): Promise<void> {
  const asked = text
  const said = asked.trim()
    ? await unwrap(api.POST('/api/children/said', { body: { words: asked } })).catch(() => null)
    : []
  if (!said || asked !== text) return // a proposal only: the words themselves are kept in any case
  const news = said.filter((one) => !known.has(keyOf(one)))
  for (const one of news) known.add(keyOf(one))
  if (news.length && !opened) form.value = news.reduce((now, one) => ticked(one, now, true), form.value)
  opened = false
  read.value = said
}

watchDebounced(() => text, reading, { debounce: 400, immediate: true })
</script>

<template>
  <div v-if="shown.length" class="said" role="group" aria-label="Read in these words">
    <p class="small soft">Read in these words, and ticked. Tap what is wrong:</p>
    <button
      v-for="one in shown"
      :key="keyOf(one)"
      type="button"
      class="tick"
      :aria-pressed="isTicked(one, form)"
      @click="form = ticked(one, form, !isTicked(one, form))"
    >
      <span aria-hidden="true">{{ isTicked(one, form) ? '✓' : '+' }}</span> {{ words(one) }}
      <span v-if="one.words" class="small soft clause">“{{ one.words }}”</span>
    </button>
  </div>
</template>

<style scoped>
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 4px 0 var(--gap-2);
}
.said p {
  width: 100%;
  margin: 0;
}
.tick {
  min-height: 40px;
  padding: 4px 12px;
  border: 1px solid var(--line);
  border-radius: var(--round, 8px);
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.tick[aria-pressed='true'] {
  border-color: var(--water);
  background: var(--water-soft, transparent);
}
.clause {
  display: block;
}
</style>
