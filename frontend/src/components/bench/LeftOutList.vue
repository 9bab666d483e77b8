<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import type { Schemas } from '@/api/client'
import OverrideForm from '@/components/cupboard/OverrideForm.vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import VerdictSign from '@/components/shared/VerdictSign.vue'
import { useMe } from '@/composables/useMe'

const {
  items,
  planId = '',
  childId = 0,
} = defineProps<{
  items: Schemas['LeftOutOut'][]
  planId?: string
  childId?: number
}>()
const { data: me } = useMe()
const emit = defineEmits<{ bringIn: [activityId: string] }>()
const asked = ref<Record<string, string>>({})
const possible = ref<Record<string, boolean>>({})

/** What it would cost to have this one in, worked out when asked. */
async function ask(activityId: string): Promise<void> {
  if (!planId) return
  asked.value[activityId] = 'Working it out…'
  try {
    const found = await unwrap(
      api.GET('/api/plans/{plan_id}/bring-in', {
        params: { path: { plan_id: planId }, query: { activity_id: activityId } },
      }),
    )
    asked.value[activityId] = `${found.words} ${found.change}`
    possible.value[activityId] = found.cost !== null
  } catch (problem) {
    asked.value[activityId] = (problem as Error).message
  }
}
const kinds: Record<string, string> = {
  barred: 'Barred for this child',
  hand: 'For the other hand',
  short: 'Not enough of it',
  missing: 'Something missing',
  too_hard: 'Too hard yet',
  too_easy: 'Too easy by now',
  not_chosen: 'Fits, not chosen',
  excluded: 'Taken out',
}
const groups = computed(() =>
  Object.entries(kinds)
    .map(([kind, words]) => ({ kind, words, items: items.filter((i) => i.kind === kind) }))
    .filter((g) => g.items.length),
)
</script>

<template>
  <section class="left-out" aria-label="Left out, and why">
    <h3>Left out, and why</h3>
    <details v-for="g in groups" :key="g.kind" :open="g.kind === 'barred'">
      <summary>
        <VerdictSign v-if="g.kind === 'barred'" status="barred" /> {{ g.words }}
        <span class="soft">{{ g.items.length }}</span>
      </summary>
      <template v-if="g.kind === 'not_chosen' && planId">
        <p class="small soft">Others made better use of the minutes. Press one to see what it would take.</p>
        <p class="chips">
          <button
            v-for="item in g.items"
            :key="item.activity_id"
            type="button"
            class="chip"
            @click="ask(item.activity_id)"
          >
            {{ item.name }}
          </button>
        </p>
        <p
          v-for="item in g.items.filter((i) => asked[i.activity_id])"
          :key="item.activity_id"
          class="small"
          aria-live="polite"
        >
          <strong>{{ item.name }}</strong> {{ asked[item.activity_id] }}
          <PlainButton v-if="possible[item.activity_id]" @click="emit('bringIn', item.activity_id)">
            Bring in {{ item.name }}
          </PlainButton>
        </p>
      </template>
      <ul v-else>
        <li v-for="item in g.items" :key="item.activity_id">
          <strong>{{ item.name }}</strong> {{ item.reason }} <span class="soft">{{ item.remedy }}</span>
          <button v-if="planId && !asked[item.activity_id]" type="button" class="link" @click="ask(item.activity_id)">
            what would it take?
          </button>
          <em v-else-if="planId" aria-live="polite"> {{ asked[item.activity_id] }}</em>
          <OverrideForm
            v-if="childId && item.override && me?.may.includes('child.override_hazard')"
            :child-id="childId"
            :rule="item.override"
          />
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 34px;
  display: flex;
  align-items: center;
  gap: 8px;
}
summary::before {
  content: '▸';
  width: 1em;
}
details[open] summary::before {
  content: '▾';
}
ul {
  margin: 0 0 8px;
  padding-left: 22px;
  font-size: var(--step-0);
}
li {
  margin-bottom: 4px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.chip {
  min-height: 32px;
  border: 1px solid var(--line);
  border-radius: 999px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.link {
  border: 0;
  background: none;
  padding: 0 2px;
  color: var(--water);
  text-decoration: underline;
  min-height: 28px;
  cursor: pointer;
}
</style>
