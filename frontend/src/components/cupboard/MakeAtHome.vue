<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import { useForget } from '@/composables/useForget'
import PlainButton from '@/components/shared/PlainButton.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import VerdictSign from '@/components/shared/VerdictSign.vue'

/** What could be made from this cupboard: parts, tools, whose steps, minutes. */
const { homeId, childId } = defineProps<{ homeId: number; childId: number }>()
const forget = useForget()
const { data } = useQuery({
  queryKey: ['recipes', () => homeId, () => childId],
  queryFn: () =>
    unwrap(
      api.GET('/api/homes/{home_id}/recipes', { params: { path: { home_id: homeId }, query: { child_id: childId } } }),
    ),
})
const shown = ref(false)
const open = ref('')
const error = ref<Error | null>(null)
const fine = computed(() => (data.value ?? []).filter((m) => m.verdict.status !== 'barred'))

async function made(m: Schemas['RecipeOut']): Promise<void> {
  error.value = null
  try {
    await unwrap(
      api.POST('/api/homes/{home_id}/cupboard', {
        params: { path: { home_id: homeId }, query: { child_id: childId } },
        body: { thing_id: m.thing_id, count: m.makes, measured: {} },
      }),
    )
    forget('cupboard')
  } catch (problem) {
    error.value = problem as Error
  }
}
</script>

<template>
  <section v-if="fine.length" class="sheet stack">
    <h3>
      <button type="button" class="opens big" :aria-expanded="shown" @click="shown = !shown">
        Make from what is here <span class="soft">{{ fine.length }} things</span>
      </button>
    </h3>
    <ProblemNote :error="error" />
    <ul v-if="shown">
      <li v-for="m in fine" :key="m.thing_id">
        <button
          type="button"
          class="opens"
          :aria-expanded="open === m.thing_id"
          @click="open = open === m.thing_id ? '' : m.thing_id"
        >
          <strong>{{ m.name }}</strong>
          {{ ' '
          }}<span class="soft small">{{ m.minutes }} min{{ m.adult_steps.length ? '' : ', no adult step' }}</span>
        </button>
        <div v-if="open === m.thing_id" class="stack how">
          <ActivityPicture :picture="m.picture" />
          <p>
            <span class="soft small">From</span>
            {{ m.parts.map((p) => (p.here.length ? `${p.words} (${p.here[0]?.toLowerCase()})` : p.words)).join(', ') }}
          </p>
          <p v-if="m.tools.length"><span class="soft small">With</span> {{ m.tools.join(', ') }}</p>
          <p v-if="m.adult_steps.length"><span class="tag caution">Adult</span> {{ m.adult_steps.join('. ') }}.</p>
          <p v-if="m.child_steps.length"><span class="tag">Together</span> {{ m.child_steps.join('. ') }}.</p>
          <p v-for="h in m.verdict.hits" :key="h.rule" class="row care">
            <VerdictSign :status="h.status" /><span>{{ h.reason }} {{ h.remedy }}</span>
          </p>
          <div>
            <PlainButton @click="made(m)">Made: add {{ m.makes }} to the cupboard</PlainButton>
          </div>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  columns: 3 290px;
  column-gap: var(--gap-4);
}
li {
  break-inside: avoid;
  border-top: 1px solid var(--line);
}
.how {
  padding-bottom: var(--gap-3);
}
.care {
  flex-wrap: nowrap;
}
</style>
