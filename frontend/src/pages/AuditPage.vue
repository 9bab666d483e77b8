<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import DayField from '@/components/shared/DayField.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { momentWords } from '@/logic/people'

/** Who read and changed what, for the clinic's lead: by child, person, kind of action and day. */
const KINDS = [
  { id: 'all', words: 'Everything' },
  { id: 'child', words: 'Children’s records' },
  { id: 'record', words: 'Exports and deletions' },
  { id: 'run', words: 'Sessions' },
  { id: 'plan', words: 'Plans' },
  { id: 'note', words: 'Notes' },
  { id: 'cupboard', words: 'Cupboards' },
  { id: 'visit', words: 'Visits' },
  { id: 'people', words: 'People' },
  { id: 'library', words: 'What the library learned' },
  { id: 'me', words: 'Sign-ins, own accounts' },
  { id: 'refused', words: 'What was refused' },
] as const
const ask = reactive({
  child: undefined as number | undefined,
  person: undefined as number | undefined,
  action: '',
  first: '',
  last: '',
  page: 1,
})
watch(
  () => [ask.child, ask.person, ask.action, ask.first, ask.last],
  () => (ask.page = 1),
)
const query = computed(() => ({
  ...ask,
  action: ask.action === 'all' ? '' : ask.action,
  first: ask.first || undefined,
  last: ask.last || undefined,
}))
const { data, error } = useQuery({
  queryKey: ['audit', query],
  queryFn: () => unwrap(api.GET('/api/audit', { params: { query: query.value } })),
  placeholderData: keepPreviousData,
})
const { data: people } = useQuery({ queryKey: ['people'], queryFn: () => unwrap(api.GET('/api/people')) })
const children = ref<Schemas['FoundChild'][]>([])
async function find(letters: string): Promise<void> {
  children.value = await unwrap(api.GET('/api/children', { params: { query: { letters } } })).catch(() => [])
}
</script>

<template>
  <div class="stack">
    <h1>Audit log</h1>
    <p class="soft">
      Who read and changed what. Entries are only ever added; when a record is deleted, their contents are removed.
    </p>
    <div class="row">
      <el-select v-model="ask.action" class="field" aria-label="Kind">
        <el-option v-for="k in KINDS" :key="k.id" :value="k.id" :label="k.words" />
      </el-select>
      <el-select
        v-model="ask.child"
        class="field"
        filterable
        remote
        clearable
        :remote-method="find"
        placeholder="Any child"
        aria-label="Child"
        @focus="find('')"
      >
        <el-option v-for="c in children" :key="c.id" :value="c.id" :label="c.first_name" />
      </el-select>
      <el-select v-model="ask.person" class="field" clearable placeholder="Anybody" aria-label="Person">
        <el-option v-for="p in people?.people" :key="p.id" :value="p.id" :label="p.name" />
      </el-select>
      <label class="row day">from <DayField v-model="ask.first" label="From" /></label>
      <label class="row day">to <DayField v-model="ask.last" label="To" /></label>
      <el-pagination
        v-if="data && data.pages > 1"
        v-model:current-page="ask.page"
        layout="prev, pager, next"
        :pager-count="5"
        :page-count="data.pages"
      />
    </div>
    <ProblemNote :error="error" />
    <p v-if="data && !data.total" class="soft">No entries match. Clear a filter.</p>
    <div v-else class="scroll" tabindex="0" role="region" aria-label="Entries">
      <table>
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>Action</th>
            <th>Of whom</th>
            <th>Details</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(e, i) in data?.entries" :key="i">
            <td class="when">{{ momentWords(e.at) }}</td>
            <td>{{ e.member }}</td>
            <td>{{ e.words }}</td>
            <td>{{ e.child }}</td>
            <td>
              <details v-if="Object.keys(e.detail).length">
                <summary>{{ Object.keys(e.detail).join(', ').replaceAll('_', ' ') }}</summary>
                <pre>{{ JSON.stringify(e.detail, null, 1) }}</pre>
              </details>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.field {
  width: 190px;
}
.day {
  flex-wrap: nowrap;
}
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 10px;
  border-bottom: 1px solid var(--line);
}
.when {
  white-space: nowrap;
}
pre {
  margin: 4px 0 0;
  font: inherit;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  max-width: 60ch;
}
summary {
  cursor: pointer;
}
</style>
