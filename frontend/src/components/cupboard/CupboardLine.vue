<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import MeasureForm from '@/components/cupboard/MeasureForm.vue'
import PlainButton from '@/components/shared/PlainButton.vue'

const { item, childId } = defineProps<{ item: Schemas['ItemOut']; childId: number }>()
const emit = defineEmits<{ changed: []; removed: [] }>()
const count = ref(item.count)
const said = ref('')
const measuring = ref(false)
watch(
  () => item,
  (now) => (count.value = now.count),
)

async function save(change: { count?: number; measured?: Record<string, number> }): Promise<boolean> {
  said.value = ''
  const body = { count: change.count ?? item.count, measured: change.measured ?? item.measured, version: item.version }
  try {
    await unwrap(
      api.PUT('/api/cupboard-items/{item_id}', {
        params: { path: { item_id: item.id }, query: { child_id: childId } },
        body,
      }),
    )
    emit('changed')
    return true
  } catch (problem) {
    said.value =
      problem instanceof Refused && problem.status === 409
        ? 'Somebody changed this count meanwhile; the new one is shown.'
        : (problem as Error).message
    if (problem instanceof Refused && problem.status === 409) emit('changed')
    return false
  }
}

async function answer(allergen: string, holds: boolean | null): Promise<void> {
  said.value = ''
  const params = { path: { item_id: item.id }, query: { child_id: childId } }
  try {
    await unwrap(api.PUT('/api/cupboard-items/{item_id}/label', { params, body: { allergen, holds } }))
    emit('changed')
  } catch (problem) {
    said.value = (problem as Error).message
  }
}

async function remove(): Promise<void> {
  said.value = ''
  try {
    await unwrap(api.DELETE('/api/cupboard-items/{item_id}', { params: { path: { item_id: item.id } } }))
    emit('removed')
  } catch (problem) {
    said.value = (problem as Error).message
  }
}
</script>

<template>
  <li>
    <ActivityPicture class="pic" :picture="item.picture" />
    <div class="what">
      <strong>{{ item.thing.name }}</strong>
      <span class="small soft"
        >{{ item.thing.measure_words }}{{ Object.keys(item.measured).length ? ' (measured here)' : '' }}</span
      >
      <span v-for="h in item.verdict?.hits.slice(1)" :key="h.rule" class="small why"
        >Also: {{ h.reason }} {{ h.remedy }}</span
      >
      <span v-for="l in item.labels" :key="l.allergen" class="small row label">
        <template v-if="l.holds === null">
          <strong>What does its label say about {{ l.words }}?</strong>
          <PlainButton @click="answer(l.allergen, false)">Without</PlainButton>
          <PlainButton @click="answer(l.allergen, true)">With</PlainButton>
        </template>
        <template v-else>
          Label read: {{ l.holds ? 'with' : 'without' }} {{ l.words }}.
          <button type="button" class="link small" @click="answer(l.allergen, null)">Ask again</button>
        </template>
      </span>
      <span v-if="said" class="small why" role="alert">{{ said }}</span>
    </div>
    <div class="row">
      <el-input-number
        v-model="count"
        class="count"
        :min="0"
        :max="9999"
        :aria-label="`How many: ${item.thing.name}`"
        @change="save({ count })"
      />
      <button type="button" class="link small" @click="measuring = true">Measure</button>
      <button type="button" class="link small" :aria-label="`Remove ${item.thing.name}`" @click="remove">Remove</button>
    </div>
    <MeasureForm
      v-if="measuring"
      :item="item"
      :save="(measured) => save({ measured })"
      :said="said"
      @close="measuring = false"
    />
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: var(--gap-3);
  align-items: center;
  justify-content: space-between;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.pic {
  flex: none;
  width: 76px;
}
@media (max-width: 760px) {
  li {
    flex-wrap: wrap;
  }
  li > .row {
    flex: 1 1 100%;
    justify-content: space-between;
  }
  .link {
    min-height: var(--touch);
  }
}
.what {
  display: grid;
  flex: 1;
  min-width: 0;
}
.why {
  color: var(--ink);
  max-width: 70ch;
}
.count {
  width: 116px;
}
.row {
  flex-wrap: nowrap;
}
.link {
  border: 0;
  background: none;
  color: var(--water);
  text-decoration: underline;
  cursor: pointer;
  min-height: 32px;
  white-space: nowrap;
}
.row.label {
  flex-wrap: wrap;
  gap: 4px 8px;
}
.label strong {
  flex: 1 1 100%;
}
</style>
