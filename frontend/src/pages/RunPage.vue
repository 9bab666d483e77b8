<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import EarlyEnd from '@/components/run/EarlyEnd.vue'
import RunAlerts from '@/components/run/RunAlerts.vue'
import RunCount from '@/components/run/RunCount.vue'
import RunGrade from '@/components/run/RunGrade.vue'
import RunHand from '@/components/run/RunHand.vue'
import RunHold from '@/components/run/RunHold.vue'
import RunMarks from '@/components/run/RunMarks.vue'
import RunMeasures from '@/components/run/RunMeasures.vue'
import RunHow from '@/components/run/RunHow.vue'
import RunMouthing from '@/components/run/RunMouthing.vue'
import RunSteps from '@/components/run/RunSteps.vue'
import RunTaps from '@/components/run/RunTaps.vue'
import TaskChain from '@/components/shared/TaskChain.vue'
import { useLook } from '@/composables/useLook'
import { useRun } from '@/composables/useRun'
import { useRunBlock } from '@/composables/useRunBlock'
import { useRunEnd } from '@/composables/useRunEnd'
import { useRunKeys } from '@/composables/useRunKeys'
import { lead } from '@/logic/lead'
import { fromTable, mouthedIn, timesAsked, whereLeft } from '@/logic/tally'

const { runId } = defineProps<{ runId: string }>()
const table = useRun(runId)
const { run, taps, unsent, away, apart, refused, joined, signedOut, error, tap, flush } = table
const wake = useWakeLock()
onMounted(() => void wake.request('screen').catch(() => undefined))

const at = ref(0)
const { block, tally, help, helpFirst, inSet, paused, hand, grade, rest, said, took } = useRunBlock(table, at)
const { left, of, asks, busy, error: notEnded, finish } = useRunEnd([runId], [table])
const leftThumb = ref(false)
const led = ref(false)
const { over, busy: choosing, error: notChosen, more } = useLook(runId, run, flush)
const advice = ref<Schemas['AdviceOut'][]>([])
const asked = ref(false)
/** What today's tries say of another grade: the server knows all of the day, the table only this set. */
const today = computed(() => {
  if (!block.value) return undefined
  const known = asked.value ? advice.value.find((a) => a.block === block.value?.id) : fromTable(block.value, said.value)
  return known && JSON.stringify(known.grade) !== JSON.stringify(grade.value) ? known : undefined
})
/** What the table says of help and of the end of a set; another grade is said beside, with its button. */
const told = computed(() => (said.value?.to == null ? said.value : undefined))
/** After two and five tries, after each set, and on going to another block, ask what today's tries say. */
async function ask(): Promise<void> {
  asked.value = false
  if (!(await flush())) return
  try {
    advice.value = await unwrap(api.GET('/api/runs/{run_id}/today', { params: { path: { run_id: runId } } }))
    asked.value = true
  } catch {
    advice.value = []
  }
}
const mouthed = computed(() => mouthedIn(taps.value))

watch(run, (loaded, before) => {
  if (!loaded || before) return
  at.value = whereLeft(taps.value, loaded.blocks)
  leftThumb.value = loaded.thumb === 'left'
  led.value = loaded.step_by_step
})

watch(
  () => [at.value, block.value ? timesAsked(tally.value.tries, block.value.count, run.value!.rules) : 0],
  () => void ask(),
)

const next = (): void => go(at.value + 1)
useRunKeys({ ...took, next })

function go(to: number): void {
  if (run.value && to >= 0 && to < run.value.blocks.length) at.value = to
  else if (run.value?.is_look && to === run.value.blocks.length) void lookOn()
}

/** In a first look, what comes after the last set is chosen by how it went. */
async function lookOn(): Promise<void> {
  if (await more()) at.value = (run.value?.blocks.length ?? 1) - 1
}
watch(
  () => Boolean(run.value?.is_look && block.value && tally.value.tries >= block.value.count),
  (played) => {
    if (played && at.value === (run.value?.blocks.length ?? 0) - 1) void lookOn()
  },
)

function skip(blockId: string): void {
  tap(blockId, 'skip')
  next()
}
</script>

<template>
  <div v-if="run && block" class="table" :class="{ left: leftThumb }">
    <header>
      <RunSteps :blocks="run.blocks" :taps="taps" :at="at" :name="run.child_name" @go="go" />
      <span v-if="unsent" class="small unsent" role="status"
        ><template v-if="away">No network: kept here, </template>{{ unsent }} to send</span
      >
      <PlainButton :aria-pressed="led" @click="led = !led">
        {{ led ? 'Step-by-step off' : 'Step-by-step on' }}
      </PlainButton>
      <PlainButton @click="leftThumb = !leftThumb">
        {{ leftThumb ? 'Right thumb' : 'Left thumb' }}
      </PlainButton>
      <PlainButton main :disabled="busy" @click="finish">Finish</PlainButton>
    </header>
    <RunAlerts class="alerts" :alerts="run.alerts" />
    <EarlyEnd v-if="asks" :left="left" :of="of" @on="asks = false" @end="finish" />
    <ProblemNote :error="notEnded ?? notChosen" />
    <p v-if="over" class="notice row" role="status">
      <strong>{{ over }}</strong> End on something {{ run.child_name }} likes, then finish.
    </p>
    <p v-else-if="choosing" class="notice" role="status">Choosing the next activity…</p>
    <p v-if="apart" class="notice" role="status">
      The note of this session is signed: {{ apart === 1 ? '1 tap is' : `${apart} taps are` }} kept beside it and not
      counted. <RouterLink :to="{ name: 'results', params: { runId } }">Add an amendment</RouterLink> if they matter.
    </p>
    <p v-if="refused" class="notice barred" role="alert">{{ refused }}</p>
    <p v-if="signedOut" class="notice" role="alert">
      You were signed out. Every tap is kept on this tablet;
      <a :href="`/sign-in?next=/runs/${runId}`">sign in again</a> and they are sent.
    </p>
    <p v-else-if="joined" class="notice" role="status">{{ joined }}</p>
    <div class="body">
      <section class="watch">
        <div class="what">
          <h1>{{ block.name }}</h1>
          <p v-if="block.stage">
            <strong>{{ block.stage }}</strong>
          </p>
          <p v-if="run.is_look" class="soft">{{ block.serves }} {{ block.count }} tries.</p>
          <p>{{ block.setup }}</p>
          <RunHow :block="block" :open="led" :brief="tally.tries > 0" />
          <p v-if="block.overlay" class="small">On the side: {{ block.overlay }}</p>
        </div>
        <RunCount :rules="run.rules" :block="block" :taps="taps" :tally="tally" :in-set="inSet" />
        <RunMouthing
          v-if="mouthed && (tally.marks.mouths || block.if_mouthed?.length)"
          :run="run"
          :block-id="block.id"
          @skip="skip(block.id)"
        />
        <div class="say" :class="rest ? 'rest' : told?.kind" role="status">
          <template v-if="led"
            ><p v-for="line in lead(block, tally, told)" :key="line">{{ line }}</p>
            <p v-if="rest">{{ rest }}</p></template
          >
          <template v-else>{{ rest ?? told?.words ?? (block.do_first || block.say) }}</template>
        </div>
        <p v-if="today && block" class="row today" role="status">
          <span>{{ today.words }}</span><PlainButton tall @click="tap(block.id, 'grade', { grade: today.grade })">
            {{ today.kind === 'up' ? 'Harder' : 'Easier' }}
          </PlainButton>
        </p>
        <RunGrade :block="block" :grade="grade" @grade="tap(block.id, 'grade', { grade: $event })" />
        <RunMarks :block="block" :marks="tally.marks" @mark="tap(block.id, 'mark', { mark: $event })" />
        <div class="row">
          <RunHand
            :hand="hand"
            :turn="['left', 'right'].includes(run.hand) && Boolean(block.hand) && block.hand !== run.hand"
            @hand="tap(block.id, 'hand', { hand: $event })"
          />
          <RunHold :best="tally.bestHold" :sum="tally.holdSum" @held="tap(block.id, 'hold', { seconds: $event })" />
          <PlainButton tall @click="took.drop()">Dropped</PlainButton>
          <PlainButton tall @click="tap(block.id, paused ? 'resume' : 'pause')">
            {{ paused ? 'Go on' : 'Pause' }}
          </PlainButton>
          <PlainButton tall @click="skip(block.id)">Skip</PlainButton>
        </div>
        <RunMeasures
          :key="block.id"
          :asked="block.measures ?? []"
          :read="tally.read"
          @measure="(id, value) => block && tap(block.id, 'measure', { measure: id, value })"
        />
        <TaskChain v-if="block.chain.length" :chain="block.chain" />
        <dl class="cues">
          <template v-for="c in block.cues" :key="c.support"
            ><dt class="soft">{{ c.support_words }}</dt>
            <dd>{{ c.words }}</dd></template
          >
        </dl>
      </section>
      <RunTaps
        v-model:help="help"
        :help-first="helpFirst"
        :paused="paused"
        :more="at < run.blocks.length - 1 || (run.is_look && !over && tally.tries > 0)"
        :grip="block.told.grip"
        :supports="run.supports"
        :mouthed="tally.marks.mouths ?? 0"
        @mouths="tap(block.id, 'mark', { mark: 'mouths' })"
        @alone="took.alone"
        @helped="took.helped"
        @missed="took.missed"
        @other-grip="took.otherGrip"
        @undo="took.undo"
        @next="next"
      />
    </div>
  </div>
  <div v-else class="wait">
    <ProblemNote :error="error" />
    <p v-if="!error">Opening the run…</p>
  </div>
</template>

<style scoped>
.table {
  height: 100vh;
  height: 100dvh;
  display: flex;
  flex-direction: column;
  background: var(--paper);
}
header {
  display: flex;
  gap: var(--gap-2);
  align-items: center;
  padding: 8px 12px;
  background: var(--board);
}
.unsent {
  white-space: nowrap;
}
.alerts {
  padding: 6px 12px 0;
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 330px;
  gap: var(--gap-3);
  padding: 12px;
}
.left .body {
  grid-template-columns: 330px 1fr;
}
.left .watch {
  order: 2;
}
.watch {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow-y: auto;
}
.what {
  display: grid;
  gap: 2px;
}
.say {
  font-size: var(--step-3);
  font-weight: 700;
  background: var(--water-soft);
  border-radius: var(--round);
  padding: 8px 14px;
}
.today {
  flex-wrap: nowrap;
  background: var(--caution-soft);
  border-radius: var(--round);
  padding: 4px 14px;
  justify-content: space-between;
}
.today button {
  flex: none;
}
.say.rest {
  background: var(--caution-soft);
}
.say.down {
  background: var(--stuck-soft);
}
.say.up,
.say.fade {
  background: var(--ready-soft);
}
.cues {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin: 0;
}
.cues dd {
  margin: 0;
}
.tall {
  min-height: 56px;
}
.wait {
  padding: var(--gap-5);
}
/* Little height, as at 200 % zoom: the page scrolls, what is counted and what is tapped stand side by side. */
@media (max-height: 620px) {
  .table {
    height: auto;
    min-height: 100vh;
  }
  .watch {
    overflow: visible;
  }
}
@media (max-width: 760px) {
  header {
    flex-wrap: wrap;
  }
  header > nav {
    flex: 1 1 100%;
  }
  header > .main {
    margin-left: auto;
  }
  .body,
  .left .body {
    grid-template-columns: 1fr;
    grid-template-rows: 1fr auto;
  }
  .left .watch {
    order: 0;
  }
}
@media (max-height: 620px) and (min-width: 561px) {
  .body {
    grid-template-columns: minmax(0, 1fr) 300px;
    grid-template-rows: auto;
    align-items: start;
  }
  .left .body {
    grid-template-columns: 300px minmax(0, 1fr);
    grid-template-rows: auto;
  }
}
/* Where there is little room, what to say stands before the count. */
@media (max-height: 620px), (max-width: 760px) {
  .what,
  .say {
    order: -1;
  }
  .what h1 {
    font-size: var(--step-2);
  }
  .say {
    padding-block: 4px;
    font-size: var(--step-2);
  }
}
</style>
