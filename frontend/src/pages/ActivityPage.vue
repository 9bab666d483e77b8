<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PlainButton from '@/components/shared/PlainButton.vue'
import GradeSteps from '@/components/bench/GradeSteps.vue'
import FamilyCue from '@/components/library/FamilyCue.vue'
import CueLines from '@/components/shared/CueLines.vue'
import MakeOwn from '@/components/shelf/MakeOwn.vue'
import VerdictLines from '@/components/shared/VerdictLines.vue'
import { useGrade } from '@/composables/useGrade'
import { useLibrary } from '@/composables/useLibrary'
import GradeDial from '@/components/bench/GradeDial.vue'
import KitSwaps from '@/components/bench/KitSwaps.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import ToldWords from '@/components/shared/ToldWords.vue'
import type { Child } from '@/composables/useChild'
import { rungWords } from '@/logic/words'

/** One activity for one child in one home: its picture and its words at the grade the dials stand at. */
const { child, activityId } = defineProps<{ child: Child; activityId: string }>()
const route = useRoute()
const router = useRouter()
const home = computed(() => Number(route.query.home ?? child.home_id))
const from = String(route.query.grade ?? '')
  .split(',')
  .filter(Boolean)
  .map(Number)
const { grade, data, error, block, turn, jump } = useGrade(
  () => child.id,
  () => home.value,
  () => activityId,
  from,
)
watch(grade, (now) => void router.replace({ query: { home: home.value, grade: now.join(',') } }))
const { data: reaches, error: notThere } = useLibrary(
  () => child.id,
  () => home.value,
  () => !from.length,
)
watch(
  reaches,
  (all) => {
    const here = all?.find((r) => r.activity_id === activityId)
    if (here && !grade.value.length) jump(here.nearest.length ? here.nearest : here.easiest)
  },
  { immediate: true },
)
const trains = computed(() => (data.value?.asks ?? []).filter((a) => a.trained))
const requires = computed(() => (data.value?.asks ?? []).filter((a) => !a.trained))
const card = computed(
  () => `/api/children/${child.id}/activities/${activityId}/card?home_id=${home.value}&grade=${grade.value.join(',')}`,
)
</script>

<template>
  <ProblemNote :error="error ?? notThere" />
  <article v-if="data" class="stack">
    <header class="row">
      <TargetSign v-if="trains[0]" :target="trains[0].target" :size="34" />
      <h2>{{ data.name }}</h2>
      <p v-if="block" aria-live="polite">
        <strong class="big">{{ block.expected_words }}</strong> expected alone · rung {{ rungWords(block.rung) }}
      </p>
      <p v-else class="not" aria-live="polite">{{ data.why_not }} {{ data.remedy }}</p>
      <PlainButton v-if="block" class="push" :href="card" target="_blank" rel="noopener"
        >Print the family's card</PlainButton
      >
    </header>
    <div class="top">
      <ActivityPicture :picture="data.picture" />
      <ToldWords :told="data.told" why />
    </div>
    <div class="dials">
      <GradeDial
        v-for="(dial, i) in data.dials"
        :key="dial.axis"
        :dial="dial"
        :value="grade[i] ?? 0"
        @turn="turn(i, $event)"
      />
    </div>
    <div class="row">
      <GradeSteps :easier="data.easier" :harder="data.harder" told @jump="jump" />
    </div>
    <div class="two">
      <section>
        <template v-if="block">
          <h3>Say or do</h3>
          <CueLines :cues="block.cues" />
          <FamilyCue
            :child-id="child.id"
            :activity-id="activityId"
            :said="data.family_cue"
            :usual="block.cues.find((c) => c.support === 'spoken')?.words ?? ''"
          />
        </template>
      </section>
      <section>
        <template v-if="block">
          <h3>Set out</h3>
          <p>
            {{ block.setup }} <span class="soft">{{ block.posture }}</span>
          </p>
          <KitSwaps
            :child-id="child.id"
            :home-id="home"
            :activity-id="activityId"
            :grade="grade"
            :quantities="block.quantities"
            @pick="jump"
          />
        </template>
        <h3>Trains</h3>
        <p v-for="a in trains" :key="a.strand_name">{{ a.strand_name }}, rung {{ rungWords(a.rung) }}</p>
        <template v-if="requires.length">
          <h3>Requires</h3>
          <p v-for="a in requires" :key="a.strand_name">{{ a.strand_name }}, rung {{ rungWords(a.rung) }}</p>
        </template>
      </section>
    </div>
    <section v-if="block">
      <h3>Watch</h3>
      <ul class="marks">
        <li v-for="m in block.watch" :key="m.id">
          <ActivityPicture v-if="data.mark_pictures[m.id]" :picture="data.mark_pictures[m.id]!" />
          <span
            ><strong>{{ m.words }}</strong> <span class="soft small">{{ m.cue }}</span></span
          >
        </li>
      </ul>
    </section>
    <VerdictLines :hits="block?.verdict.hits ?? []" />
    <MakeOwn :activity-id="activityId" :name="data.name" />
  </article>
</template>

<style scoped>
.big {
  font-size: var(--step-2);
}
.push {
  margin-left: auto;
}
.not {
  color: var(--barred);
}
.dials {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: var(--gap-3);
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: var(--gap-4);
}
.top > :last-child {
  flex: 1 1 320px;
}
.two {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: var(--gap-4);
}
h3 {
  margin: var(--gap-2) 0 0;
}
.marks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: var(--gap-2);
}
.marks li {
  display: flex;
  gap: var(--gap-2);
  align-items: center;
}
.marks li > :first-child {
  flex: none;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
