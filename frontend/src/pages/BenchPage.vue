<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import AgainstLast from '@/components/bench/AgainstLast.vue'
import ChoiceWhy from '@/components/bench/ChoiceWhy.vue'
import BlockPanel from '@/components/bench/BlockPanel.vue'
import KitList from '@/components/bench/KitList.vue'
import LeftOutList from '@/components/bench/LeftOutList.vue'
import PlanKeep from '@/components/bench/PlanKeep.vue'
import PlanStrip from '@/components/bench/PlanStrip.vue'
import { useMay } from '@/composables/useMay'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import { stretched, useBench } from '@/composables/useBench'
import { useWords } from '@/composables/useWords'
import { minutesWords } from '@/logic/words'

const { planId } = defineProps<{ planId: string }>()
const may = useMay()
const router = useRouter()
const words = useWords()
const { plan, failed, error, busy, arrange, alter, again, undo, redo, canUndo, canRedo, named } = useBench(() => planId)
const at = ref(0)
const starting = ref<Error | null>(null)
const blocks = computed(() => plan.value?.blocks ?? [])
const block = computed(() => blocks.value[at.value])
watch(blocks, (row) => (at.value = Math.min(at.value, Math.max(row.length - 1, 0))))

const atWork = computed(() => blocks.value.reduce((sum, b) => sum + b.minutes, 0))
const tries = computed(() => blocks.value.reduce((sum, b) => sum + b.tries, 0))
const targetName = (id: string): string => words.value?.targets.find((t) => t.id === id)?.name ?? ''
/** Minutes at work for each target, the most first. */
const covered = computed(() => {
  const sums: Record<string, number> = {}
  for (const b of blocks.value) sums[b.target] = (sums[b.target] ?? 0) + b.minutes
  return Object.entries(sums).sort((a, b) => b[1] - a[1])
})
const kitName = computed(() => words.value?.kits.find((k) => k.id === plan.value?.kit_id)?.name)
const over = computed(() => (plan.value ? plan.value.minutes - plan.value.minutes_asked : 0))

async function move(from: number, by: number): Promise<void> {
  const to = from + by
  const activityId = blocks.value[from]?.activity_id
  if (to < 0 || to >= blocks.value.length) return
  at.value = to
  await arrange((row) => {
    const moved = row.filter((b) => b.activity_id === activityId)
    return row.filter((b) => b.activity_id !== activityId).toSpliced(to, 0, ...moved)
  })
}

function removed(): void {
  const activityId = block.value?.activity_id
  void arrange((row) => row.filter((b) => b.activity_id !== activityId))
}

async function run(): Promise<void> {
  starting.value = null
  try {
    const begun = await unwrap(
      api.POST('/api/plans/{plan_id}/runs', {
        params: { path: { plan_id: planId } },
        body: { id: crypto.randomUUID() },
      }),
    )
    await router.push({ name: 'run', params: { runId: begun.id } })
  } catch (problem) {
    starting.value = problem as Error
  }
}
</script>

<template>
  <ProblemNote :error="failed" />
  <div v-if="plan" class="stack">
    <header class="row head">
      <div>
        <p>
          <RouterLink :to="{ name: 'child', params: { childId: plan.child_id } }">{{ plan.child_name }}</RouterLink>
          {{ ' ' }}<span class="soft">· things from {{ plan.home_name }}</span>
        </p>
        <h1>{{ plan.name || kitName || 'Session plan' }}</h1>
      </div>
      <div class="totals" aria-live="polite">
        <span
          ><strong :class="{ over: over > 0.5 }">{{ minutesWords(plan.minutes!) }}</strong> of {{ plan.minutes_asked }},
          {{ minutesWords(plan.minutes! - atWork) }} setting up</span
        >
        <span
          ><strong>{{ tries }}</strong> tries</span
        >
        <span v-if="plan.tiring_minutes"
          ><strong>{{ minutesWords(plan.tiring_minutes) }}</strong> tiring</span
        >
        <span
          v-for="[target, minutes] in covered"
          :key="target"
          class="covered"
          role="img"
          :title="targetName(target)"
          :aria-label="`${targetName(target)}: ${minutes} min`"
          ><TargetSign :target="target" :size="18" /> {{ minutes }} min</span
        >
        <ChoiceWhy
          :status="plan.status"
          :well-spent="plan.well_spent ?? 0"
          :bound="plan.bound"
          :learned="plan.learned"
        />
      </div>
      <div class="row right">
        <template v-if="may('plan.edit')">
          <PlainButton :disabled="!canUndo || busy" @click="undo">Undo</PlainButton>
          <PlainButton :disabled="!canRedo || busy" @click="redo">Redo</PlainButton>
          <PlainButton :disabled="busy" @click="again(plan.excluded)">Plan again</PlainButton>
        </template>
        <PlainButton main :disabled="busy || !blocks.length" @click="run">Run it</PlainButton>
      </div>
    </header>
    <div v-if="plan.changed?.length" class="notice" role="status">
      Since this plan was made, {{ plan.changed.join(' and ') }} changed. Every block is checked again here and before
      it runs.
    </div>
    <div v-if="plan.reason" class="notice barred" role="alert">
      Left as it was, because {{ plan.reason }}. The shortest fix: {{ plan.fix }}
    </div>
    <p v-for="line in plan.general_cautions" :key="line" class="notice">{{ line }}</p>
    <ul v-if="plan.notes?.length" class="notice notes">
      <li v-for="note in plan.notes" :key="note">{{ note }}</li>
    </ul>
    <ProblemNote :error="error ?? starting" />
    <PlanStrip
      v-model:at="at"
      :blocks="blocks"
      :asked="plan.minutes_asked"
      :most="plan.most_sets ?? 20"
      :names="plan.part_names ?? {}"
      @move="move"
      @stretch="
        (i, by) => alter(blocks[i]!.activity_id, (b) => ({ sets: stretched(b.sets, by, plan!.most_sets ?? 20) }))
      "
    />
    <div class="split">
      <BlockPanel
        v-if="block"
        :key="block.activity_id"
        :plan-id="planId"
        :child-id="plan.child_id"
        :home-id="plan.home_id"
        :part-name="plan.part_names?.[block.part] ?? ''"
        :block="block"
        :position="at"
        :last="blocks.length - 1"
        :most="plan.most_sets ?? 20"
        :busy="busy"
        @change="(part) => alter(block!.activity_id, part)"
        @move="(by) => move(at, by)"
        @remove="removed"
        @exclude="(activityId) => again([...plan!.excluded, activityId])"
      />
      <aside class="stack">
        <KitList :kit="plan.kit ?? []" />
        <section
          v-if="plan.approaches?.length"
          class="sheet stack small"
          aria-label="Meeting what the child is wary of"
        >
          <h3>For exposure, not scored</h3>
          <p v-for="a in plan.approaches" :key="a.kind + a.what">
            <strong>{{ a.name }}</strong>: {{ a.next_words }}. <span class="soft">{{ a.rules }}</span>
          </p>
        </section>
        <PlanKeep :plan="plan" @named="named" />
        <AgainstLast :plan-id="planId" :version="plan.version ?? 0" />
        <LeftOutList
          :items="plan.left_out ?? []"
          :plan-id="planId"
          :child-id="plan.child_id"
          @bring-in="again(plan.excluded ?? [], $event)"
        />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.notes {
  margin: 0;
  padding-left: 34px;
}
.head {
  gap: 4px var(--gap-4);
}
.totals {
  order: 3;
  flex-basis: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--gap-3);
  align-items: center;
}
.totals strong {
  font-size: var(--step-2);
}
.covered {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.totals .over {
  color: var(--barred);
}
.right {
  margin-left: auto;
}
.split {
  display: grid;
  grid-template-columns: 1fr 310px;
  gap: var(--gap-4);
  align-items: start;
}
@media (max-width: 1000px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
