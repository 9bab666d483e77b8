<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, defineAsyncComponent, reactive, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PlainButton from '@/components/shared/PlainButton.vue'
import BatchPanel from '@/components/caseload/BatchPanel.vue'
import CaseloadRow from '@/components/caseload/CaseloadRow.vue'
import ClosedList from '@/components/caseload/ClosedList.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { everyChild, type ListAsk, useCaseload } from '@/composables/useCaseload'
import FirstSteps from '@/components/caseload/FirstSteps.vue'
import { useFirstSteps } from '@/composables/useShortcuts'
import { useMe } from '@/composables/useMe'
import { longDay } from '@/logic/words'

const ChildAdd = defineAsyncComponent(() => import('@/components/caseload/ChildAdd.vue')) // a form: not on the first page's way

const GROUPS = [
  { id: 'all', words: 'All' },
  { id: 'due', words: 'Due' },
  { id: 'ready', words: 'Ready to move' },
  { id: 'setback', words: 'Set back' },
  { id: 'stuck', words: 'Stuck' },
  { id: 'recheck', words: 'Check again' },
] as const
const SORTS = [
  { id: 'gravest', words: 'Gravest first' },
  { id: 'due', words: 'Longest due first' },
  { id: 'seen', words: 'Longest not seen first' },
  { id: 'name', words: 'By name' },
] as const

const mine = useSessionStorage('my-children', false)
const ask = reactive<ListAsk>({ ...everyChild, mine: mine.value })
watch(
  () => [ask.mine, ask.letters, ask.show, ask.sort],
  () => (ask.page = 1),
)
watch(
  () => ask.mine,
  (now) => (mine.value = now),
)
const { data, error, isPending } = useCaseload(() => ask)
const { data: me } = useMe()
const route = useRoute()
const router = useRouter()
const steps = useFirstSteps()
/** Open from the address too, so that a key and a link can lead here. */
const adding = computed({
  get: () => route.query.add === '1',
  set: (on) => void router.replace({ query: on ? { add: '1' } : {} }),
})
const nobody = computed(() => data.value?.counts.all === 0 && !ask.letters && !ask.mine)
</script>

<template>
  <div class="stack">
    <div class="row head">
      <h1>{{ longDay(new Date()) }}</h1>
      <PlainButton v-if="!me || me.may.includes('child.add')" :class="{ yet: !me }" @click="adding = true">
        Add a child
      </PlainButton>
      <div class="row strip filters" role="group" aria-label="Show">
        <button
          v-for="g in GROUPS"
          :key="g.id"
          type="button"
          class="filter"
          :class="g.id"
          :aria-pressed="ask.show === g.id"
          @click="ask.show = g.id"
        >
          <strong>{{ data?.counts[g.id] ?? 0 }}</strong> {{ g.words }}
        </button>
      </div>
    </div>
    <div v-if="!nobody" class="row strip tools">
      <el-radio-group v-model="ask.mine" aria-label="Whose children">
        <el-radio-button :value="false">All children</el-radio-button
        ><el-radio-button :value="true">My children</el-radio-button>
      </el-radio-group>
      <el-input
        v-model="ask.letters"
        class="letters"
        placeholder="First letters"
        aria-label="First letters"
        clearable
      />
      <el-select v-model="ask.sort" class="sort" aria-label="Order">
        <el-option v-for="s in SORTS" :key="s.id" :value="s.id" :label="s.words" />
      </el-select>
      <el-pagination
        v-if="data && data.pages > 1"
        v-model:current-page="ask.page"
        class="pages"
        layout="prev, pager, next"
        :pager-count="5"
        :page-count="data.pages"
      />
    </div>
    <ProblemNote :error="error" />
    <RowsSkeleton v-if="isPending" words="Fetching the children…" :rows="6" tall />
    <section v-else-if="nobody" class="sheet stack first">
      <h2>No child here yet</h2>
      <p>Add the first one: six fields, then the cupboard, then the first session.</p>
      <div>
        <PlainButton v-if="me?.may.includes('child.add')" main @click="adding = true">
          Add the first child
        </PlainButton>
      </div>
    </section>
    <FirstSteps
      v-if="steps && data && !ask.letters && !ask.mine && ask.show === 'all'"
      :list="data"
      @close="steps = false"
    />
    <ul v-if="data?.children.length" class="rows">
      <CaseloadRow v-for="child in data.children" :key="child.id" :child="child" />
    </ul>
    <p v-else-if="data && !nobody" class="soft">
      No child is in this group. {{ ask.letters || ask.mine ? 'Clear the letters, or show all children.' : '' }}
    </p>
    <BatchPanel
      v-if="data?.children.length && me?.may.includes('plan.make')"
      :children="data.children.map((c) => c.id)"
    />
    <ClosedList />
    <ChildAdd v-if="adding && me" @close="adding = false" />
  </div>
</template>

<style scoped>
/* Its place is kept until it is known whether it belongs there. */
.yet {
  visibility: hidden;
}
.head {
  justify-content: space-between;
}
.letters {
  width: 150px;
}
.sort {
  width: 210px;
}
.pages {
  margin-left: auto;
}
.first {
  justify-items: start;
}
@media (max-width: 760px) {
  .filters {
    flex: 1 1 100%;
    min-width: 0;
  }
}
.filter {
  min-height: var(--touch);
  padding: 0 14px;
  border: 1px solid var(--line-strong);
  border-radius: 999px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
.filter[aria-pressed='true'] {
  background: var(--water);
  color: var(--on-water);
  border-color: var(--water);
}
</style>
