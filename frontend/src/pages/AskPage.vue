<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import ChoiceRow from '@/components/shared/ChoiceRow.vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import AimReasons from '@/components/bench/AimReasons.vue'
import HazardsAsked from '@/components/caseload/HazardsAsked.vue'
import LeftOutList from '@/components/bench/LeftOutList.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetPicker from '@/components/bench/TargetPicker.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import type { Child } from '@/composables/useChild'
import { useAims } from '@/composables/useAims'
import { useDoing } from '@/composables/useDoing'
import { useMay } from '@/composables/useMay'
import { usePlaces } from '@/composables/usePlaces'
import { useWords } from '@/composables/useWords'
import { dayWords } from '@/logic/words'

const { child } = defineProps<{ child: Child }>()
const words = useWords()
const may = useMay()
const router = useRouter()
const { data: plans } = useQuery({
  queryKey: ['plans', () => child.id],
  queryFn: () =>
    unwrap(
      api.GET('/api/children/{child_id}/plans', { params: { path: { child_id: child.id }, query: { limit: 6 } } }),
    ),
})
const places = usePlaces(() => child)

const wish = reactive<Schemas['WishIn']>({
  minutes: child.usual_minutes,
  targets: [],
  task: '',
  kit: '',
  place: 'home',
  supervision: 'arms_reach',
  home_id: child.home_id,
  format_id: 'parts',
  order: 'precision_first',
})
const { aims, tasks, ticked } = useAims(() => child.id, wish)
const turn = computed(() => (tasks.value.length > 1 ? tasks.value.find((t) => t.next) : undefined))
const chosen = computed(() => tasks.value.find((t) => t.task === wish.task))

/** A session for one task: its targets are what the task asks to work on. Chosen once more: for all tasks again. */
function choose(id: string): void {
  wish.task = id
  const from = tasks.value.find((t) => t.task === id)?.aims ?? aims.value
  wish.targets = [...new Set(from.map((a) => a.target))].slice(0, 2)
}
watch(
  () => wish.format_id,
  (id) => {
    wish.kit = ''
    const format = words.value?.formats.find((f) => f.id === id)
    if (format?.supervision) wish.supervision = format.supervision
    else if (wish.supervision === 'box') wish.supervision = 'arms_reach'
    if (format?.most_minutes) wish.minutes = Math.min(wish.minutes, format.most_minutes)
  },
)
/** The kits or projects of the chosen format; none where it plays none. */
const kits = computed(() => (words.value?.kits ?? []).filter((k) => k.kind !== 'box' && k.kind === wish.format_id))
const kit = computed(() => kits.value.find((k) => k.id === wish.kit))
const answer = ref<Schemas['PlanOut'] | null>(null)
const { busy, error, doing } = useDoing()

async function plan(): Promise<void> {
  await ticked()
  answer.value = null
  const made = await doing(() =>
    unwrap(api.POST('/api/children/{child_id}/plans', { params: { path: { child_id: child.id } }, body: wish })),
  )
  if (made?.id) await router.push({ name: 'bench', params: { planId: made.id } })
  else if (made) answer.value = made
}
</script>

<template>
  <HazardsAsked :child="child" @note="router.push({ name: 'child', query: { edit: '1' } })" />
  <div class="split">
    <p v-if="!may('plan.make') && plans && !plans.length" class="notice">
      No session is planned for {{ child.first_name }} yet. A therapist plans it; then it stands here to be run.
    </p>
    <form v-if="may('plan.make')" class="stack" novalidate @submit.prevent="plan">
      <h2>What should this session be?</h2>
      <fieldset v-if="tasks.length">
        <legend>For which of the tasks the family wants</legend>
        <ChoiceRow
          :model-value="wish.task"
          small
          label="For which of the tasks the family wants"
          :options="[
            { id: '', words: 'All, by turns' },
            ...tasks.map((t) => ({ id: t.task, words: t.name, hint: t.waited })),
          ]"
          @update:model-value="choose"
        />
        <p v-if="turn && !wish.task" class="small soft">
          Whose turn it is: <strong>{{ turn.name }}</strong>, {{ turn.waited }}. The first wish is in every session, the
          others at least in every second one.
        </p>
      </fieldset>
      <fieldset>
        <legend>Work on one or two</legend>
        <TargetPicker v-model="wish.targets" />
        <AimReasons :aims="(chosen?.aims ?? aims).filter((x) => wish.targets.includes(x.target))" />
      </fieldset>
      <fieldset>
        <legend>
          Session format
          <span class="soft small light">{{ words?.formats.find((s) => s.id === wish.format_id)?.hint }}</span>
        </legend>
        <ChoiceRow
          v-model="wish.format_id"
          small
          label="Session format"
          :options="(words?.formats ?? []).map((s) => ({ id: s.id, words: s.name, hint: s.hint }))"
        />
      </fieldset>
      <fieldset v-if="kits.length">
        <legend>Which one</legend>
        <ChoiceRow
          v-model="wish.kit"
          small
          label="Which one"
          :options="[
            { id: '', words: 'Any', hint: 'The best fit for this child and home' },
            ...kits.map((k) => ({ id: k.id, words: k.name, hint: k.about })),
          ]"
        />
        <p v-if="kit" class="small soft">{{ kit.about }}</p>
      </fieldset>
      <fieldset>
        <legend>Minutes, setting up and tidying included</legend>
        <ChoiceRow
          v-model="wish.minutes"
          small
          label="Minutes"
          :options="[15, 20, 30, 35, 40, 45].map((m) => ({ id: m, words: String(m) }))"
        >
          <el-input-number v-model="wish.minutes" aria-label="Minutes" />
        </ChoiceRow>
      </fieldset>
      <fieldset>
        <legend>Place and supervision</legend>
        <div class="row">
          <el-radio-group v-model="wish.place" aria-label="Where"
            ><el-radio-button value="home">Home</el-radio-button><el-radio-button value="clinic">Clinic</el-radio-button
            ><el-radio-button value="school">School</el-radio-button></el-radio-group
          >
          <el-radio-group v-model="wish.supervision" aria-label="Adult"
            ><el-radio-button value="arms_reach">Adult within arm's reach</el-radio-button
            ><el-radio-button value="room">Adult in the room</el-radio-button
            ><el-radio-button value="box">On their own</el-radio-button></el-radio-group
          >
        </div>
      </fieldset>
      <fieldset>
        <legend>Materials and order</legend>
        <div class="row">
          <el-select v-if="places.length" v-model="wish.home_id" class="place" aria-label="Cupboard"
            ><el-option v-for="h in places" :key="h.id" :value="h.id" :label="h.name"
          /></el-select>
          <el-select v-model="wish.order" class="order" aria-label="Order of work"
            ><el-option v-for="o in words?.orders" :key="o.id" :value="o.id" :label="o.name"
          /></el-select>
        </div>
      </fieldset>
      <ProblemNote :error="error" />
      <div v-if="answer" class="notice barred stack" role="alert">
        <p>
          <strong>No plan, because {{ answer.reason }}.</strong>
        </p>
        <p>The shortest fix: {{ answer.fix }}</p>
      </div>
      <PlainButton type="submit" main class="go" :disabled="busy || Boolean(aims.length && !wish.targets.length)">
        {{ busy ? 'Planning…' : 'Plan it' }}
      </PlainButton>
      <LeftOutList v-if="answer" :items="answer.left_out ?? []" />
    </form>
    <aside v-if="plans?.length" class="sheet stack">
      <h3>{{ may('plan.make') ? 'Earlier sessions' : 'Planned and earlier sessions' }}</h3>
      <RouterLink v-for="p in plans" :key="p.id" class="earlier" :to="{ name: 'bench', params: { planId: p.id } }">
        <span class="row"
          ><strong>{{ p.name ? `★ ${p.name}` : dayWords(p.used_on ?? p.made_at) }}</strong> {{ ' '
          }}<TargetSign v-for="t in p.targets" :key="t" :target="t" :size="18" /> {{ ' '
          }}<span class="soft small">{{ p.used_on ? '' : 'not run' }}</span></span
        >
        <span class="small soft">{{ p.blocks.join(', ') }}</span>
      </RouterLink>
    </aside>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1fr 300px;
  gap: var(--gap-5);
  align-items: start;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  padding: 0 0 6px;
  font-weight: 700;
}
.light {
  font-weight: 400;
}
.place {
  width: 260px;
}
.order {
  width: 340px;
}
.go {
  justify-self: start;
  padding: 0 40px;
  min-height: 52px;
  font-size: var(--step-2);
}
.earlier {
  display: grid;
  color: var(--ink);
  text-decoration: none;
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
.earlier:hover strong {
  text-decoration: underline;
}
@media (max-width: 1000px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
