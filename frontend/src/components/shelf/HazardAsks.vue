<script setup lang="ts">
import type { Answer, Looked, OwnEntry } from '@/composables/useOwn'
import PlainButton from '@/components/shared/PlainButton.vue'
import { placeWords } from '@/logic/words'

/**
 * What the words of an entry ask of hazards, with yes and no; and what was answered, by whom. Answers are kept in the
 * values that are being written, signed by the server.
 */
const { kept, hazards } = defineProps<{
  looked: Looked | undefined
  kept: OwnEntry['values']
  hazards: { id: string; name: string }[]
  may: boolean
}>()
const given = defineModel<Record<string, Answer>>({ required: true })
const who = (hazard: string): string => ((kept.answers ?? {}) as Record<string, Answer>)[hazard]?.by ?? ''

const asked = (hazard: string): string => hazards.find((h) => h.id === hazard)?.name ?? hazard

function answer(hazard: string, yes: boolean): void {
  given.value = { ...given.value, [hazard]: { yes } }
}
function takeBack(hazard: string): void {
  given.value = Object.fromEntries(Object.entries(given.value).filter(([id]) => id !== hazard))
}
</script>

<template>
  <section v-if="looked?.questions.length" class="notice stack" aria-live="polite" aria-labelledby="hazard-asks">
    <h2 id="hazard-asks" class="small">Before it is shared: is it safe?</h2>
    <div v-for="q in looked.questions" :key="q.hazard" class="ask">
      <p>
        <span class="soft small">{{ placeWords(q.at) }}</span> {{ q.reason }}
        <template v-if="given[q.hazard]?.yes">{{ q.remedy }}</template>
      </p>
      <span v-if="may" class="row yes-no">
        <PlainButton :aria-pressed="given[q.hazard]?.yes === true" @click="answer(q.hazard, true)">Yes</PlainButton>
        <PlainButton @click="answer(q.hazard, false)">No</PlainButton>
      </span>
    </div>
  </section>
  <ul v-if="Object.keys(given).length" class="small answered">
    <li v-for="(a, hazard) in given" :key="hazard">
      Is it {{ asked(String(hazard)) }}? <strong>{{ a.yes ? 'Yes' : 'No' }}</strong><template v-if="who(String(hazard))"
        >, said {{ who(String(hazard)) }}</template
      ><template v-if="a.yes">: the safety rules go by it</template>. {{ ' '
      }}<PlainButton v-if="may" class="again" @click="takeBack(String(hazard))">ask again</PlainButton>
    </li>
  </ul>
</template>

<style scoped>
.ask {
  display: flex;
  gap: var(--gap-3);
  align-items: center;
  justify-content: space-between;
}
section,
.answered {
  margin: 0 0 var(--gap-3);
}
.answered {
  padding-left: 18px;
}
.yes-no {
  flex: none;
  flex-wrap: nowrap;
}
.again {
  min-height: 32px;
  font-size: inherit;
}
[aria-pressed='true'] {
  border-color: var(--water);
  font-weight: 700;
}
</style>
