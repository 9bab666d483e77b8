<script setup lang="ts">
import { useMay } from '@/composables/useMay'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import { stretched, type Block } from '@/composables/useBench'
import { minutesWords, rungWords } from '@/logic/words'
import PlainButton from '@/components/shared/PlainButton.vue'
import BlockDetails from '@/components/bench/BlockDetails.vue'
import GradeSteps from '@/components/bench/GradeSteps.vue'
import GradeDial from '@/components/bench/GradeDial.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import WhyNumber from '@/components/bench/WhyNumber.vue'

type Choice = Schemas['BlockIn']
const { planId, childId, homeId, partName, block, position, last, most, busy } = defineProps<{
  planId: string
  childId: number
  homeId: number
  partName: string
  block: Block
  position: number
  last: number
  most: number
  busy: boolean
}>()
const may = useMay()
const emit = defineEmits<{
  change: [part: (block: Choice) => Partial<Choice>]
  move: [by: number]
  remove: []
  exclude: [activityId: string]
}>()

const NEAREST = 4 // equals shown before asking for more, nearest first
const allEquals = ref(false)
const grade = ref([...block.grade])
const sets = ref(block.sets)
watch(
  () => block,
  (now) => {
    grade.value = [...now.grade]
    sets.value = now.sets
  },
)
const choice = computed<Choice>(() => ({
  part: block.part,
  activity_id: block.activity_id,
  grade: grade.value,
  sets: sets.value,
  locked: block.locked,
}))
const { data: forecast } = useQuery({
  queryKey: ['forecast', () => planId, choice],
  queryFn: ({ signal }) =>
    unwrap(
      api.POST('/api/plans/{plan_id}/forecast', {
        params: { path: { plan_id: planId } },
        body: choice.value,
        signal, // a dial turned on makes the last answer needless, here and on the server
      }),
    ),
  placeholderData: keepPreviousData,
})
const shown = computed(() => forecast.value?.block ?? (block.problem ? null : block))
const barred = computed(() => forecast.value && !forecast.value.block)

const put = (part: Partial<Choice>): void => emit('change', () => part)

function turn(axis: number, step: number): void {
  grade.value = grade.value.with(axis, step)
  const available = forecast.value?.dials[axis]?.steps[step]?.available
  if (available) put({ grade: grade.value })
}
const jump = (to: number[] | undefined): void => {
  if (to) put({ grade: to })
}
const stretch = (by: number): void => emit('change', (now) => ({ sets: stretched(now.sets, by, most) }))
const swap = (a: Schemas['AlternativeOut']): void => put({ activity_id: a.activity_id, grade: a.grade })
</script>

<template>
  <section class="sheet stack" :aria-label="block.name">
    <header class="row">
      <TargetSign :target="block.target" :size="34" />
      <div class="title">
        <h2>{{ block.name }}</h2>
        <p class="soft">
          {{ partName }} · {{ block.strand_name }}<template v-if="shown"> · rung {{ rungWords(shown.rung) }}</template>
        </p>
        <p v-if="shown?.stage" class="serves">{{ shown.stage }}</p>
        <p v-if="shown?.serves" class="serves">{{ shown.serves }}</p>
      </div>
      <div v-if="shown" class="forecast" aria-live="polite">
        <strong>{{ shown.expected_words }}</strong> expected alone
        <span class="soft small">{{ shown.tries }} tries in {{ minutesWords(shown.minutes) }}</span>
        <WhyNumber title="Why this block, at this grade?" :reasons="shown.why" :beat="block.beat" />
      </div>
      <div v-else class="forecast barred">{{ forecast?.why_not ?? block.problem }} {{ forecast?.remedy }}</div>
    </header>
    <div class="row tools">
      <GradeSteps
        v-if="may('plan.edit')"
        :easier="busy ? null : forecast?.easier"
        :harder="busy ? null : forecast?.harder"
        @jump="jump"
      />
      <span v-if="may('plan.edit')" class="row minutes"
        ><PlainButton aria-label="One set less" @click="stretch(-1)">−</PlainButton
        ><strong>{{ sets }} {{ sets === 1 ? 'set' : 'sets' }}</strong
        ><PlainButton aria-label="One set more" @click="stretch(1)">+</PlainButton></span
      >
      <template v-if="may('plan.edit')">
        <PlainButton :aria-pressed="block.locked" @click="put({ locked: !block.locked })">
          {{ block.locked ? 'Unlock' : 'Lock' }}
        </PlainButton>
        <PlainButton :disabled="position === 0" aria-label="Move earlier" @click="emit('move', -1)">
          ◂ Earlier
        </PlainButton>
        <PlainButton :disabled="position === last" aria-label="Move later" @click="emit('move', 1)">
          Later ▸
        </PlainButton>
        <PlainButton @click="emit('remove')">Remove</PlainButton>
        <PlainButton @click="emit('exclude', block.activity_id)">Not this one</PlainButton>
      </template>
    </div>
    <div v-if="forecast" class="turning">
      <ActivityPicture :picture="forecast.picture" />
      <div class="dials">
        <GradeDial
          v-for="(dial, i) in forecast.dials"
          :key="dial.axis"
          :dial="dial"
          :value="grade[i] ?? 0"
          @turn="turn(i, $event)"
        />
      </div>
    </div>
    <div v-if="forecast?.equals.length" class="row">
      <span class="soft">Same rung, another activity:</span>
      <PlainButton
        v-for="a in forecast.equals.slice(0, allEquals ? undefined : NEAREST)"
        :key="a.activity_id"
        @click="swap(a)"
      >
        {{ a.name }}
      </PlainButton>
      <PlainButton v-if="!allEquals && forecast.equals.length > NEAREST" @click="allEquals = true">
        {{ forecast.equals.length - NEAREST }} more
      </PlainButton>
    </div>
    <BlockDetails
      v-if="shown"
      :block="shown"
      :child-id="childId"
      :home-id="homeId"
      :dim="Boolean(barred)"
      @pick="jump"
    />
  </section>
</template>

<style scoped>
.serves {
  font-weight: 700;
  color: var(--water);
}
.title {
  flex: 1;
}
.forecast {
  text-align: right;
}
.forecast strong {
  font-size: var(--step-3);
}
.forecast.barred {
  color: var(--barred);
  max-width: 40ch;
}
.minutes {
  flex-wrap: nowrap;
}
.turning {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: var(--gap-3) var(--gap-4);
  align-items: center;
}
.dials {
  display: grid;
  gap: var(--gap-2);
}
</style>
