<script setup lang="ts">
import type { Reach } from '@/logic/library'
import { rungWords } from '@/logic/words'
import GradeSteps from '@/components/bench/GradeSteps.vue'
import CueLines from '@/components/shared/CueLines.vue'
import VerdictLines from '@/components/shared/VerdictLines.vue'
import { useGrade } from '@/composables/useGrade'
import GradeDial from '@/components/bench/GradeDial.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ToldWords from '@/components/shared/ToldWords.vue'
import KitSwaps from '@/components/bench/KitSwaps.vue'

/** One activity with its dials live for a child and a cupboard; nothing is kept. */
const { reach, childId, homeId } = defineProps<{ reach: Reach; childId: number; homeId: number }>()
const { grade, data, block, turn, jump } = useGrade(
  () => childId,
  () => homeId,
  () => reach.activity_id,
  reach.nearest.length ? reach.nearest : reach.easiest,
  reach.parts[0] ?? 'main',
)
</script>

<template>
  <div class="stack open">
    <div class="row">
      <p v-if="block" aria-live="polite">
        <strong class="big">{{ block.expected_words }}</strong> expected alone · rung {{ rungWords(block.rung) }} ·
        {{ block.minutes }} min a set
      </p>
      <p v-else-if="data" class="not" aria-live="polite">{{ data.why_not }} {{ data.remedy }}</p>
      <span class="row push"><GradeSteps :easier="data?.easier" :harder="data?.harder" @jump="jump" /></span>
    </div>
    <div class="dials">
      <GradeDial
        v-for="(dial, i) in data?.dials"
        :key="dial.axis"
        :dial="dial"
        :value="grade[i] ?? 0"
        @turn="turn(i, $event)"
      />
    </div>
    <ActivityPicture v-if="data" :picture="data.picture" />
    <p v-if="block">
      <RouterLink
        :to="{
          name: 'activity',
          params: { activityId: reach.activity_id },
          query: { home: homeId, grade: grade.join(',') },
        }"
        >Open the page of this activity</RouterLink
      >
    </p>
    <div v-if="block" class="two">
      <div>
        <ToldWords :told="block.told" />
        <h4>Set out</h4>
        <p>{{ block.setup }}</p>
        <KitSwaps
          :child-id="childId"
          :home-id="homeId"
          :activity-id="reach.activity_id"
          :grade="grade"
          :quantities="block.quantities"
          @pick="jump"
        />
      </div>
      <div>
        <h4>Say or do</h4>
        <CueLines :cues="block.cues" />
      </div>
    </div>
    <VerdictLines :hits="block?.verdict.hits ?? []" />
  </div>
</template>

<style scoped>
.open {
  grid-column: 1 / -1;
  padding: var(--gap-2) 0 var(--gap-3) 40px;
}
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
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--gap-4);
}
h4 {
  margin: 0;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
