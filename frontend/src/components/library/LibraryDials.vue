<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import type { Reach } from '@/logic/library'
import { rungWords } from '@/logic/words'
import GradeDial from '@/components/bench/GradeDial.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ToldWords from '@/components/shared/ToldWords.vue'
import KitSwaps from '@/components/bench/KitSwaps.vue'
import VerdictSign from '@/components/shared/VerdictSign.vue'

/** One activity with its dials live for a child and a cupboard; nothing is kept. */
const { reach, childId, homeId } = defineProps<{ reach: Reach; childId: number; homeId: number }>()
const grade = ref([...(reach.nearest.length ? reach.nearest : reach.easiest)])
const body = computed(() => ({
  part: reach.parts[0] ?? 'main',
  activity_id: reach.activity_id,
  grade: grade.value,
  sets: 1,
  locked: false,
}))
const { data } = useQuery({
  queryKey: ['here', () => childId, () => homeId, body],
  queryFn: () =>
    unwrap(
      api.POST('/api/children/{child_id}/forecast', {
        params: { path: { child_id: childId }, query: { home_id: homeId } },
        body: body.value,
      }),
    ),
  placeholderData: keepPreviousData,
})
const block = computed(() => data.value?.block)
const jump = (to?: number[]): void => {
  if (to) grade.value = [...to]
}
</script>

<template>
  <div class="stack open">
    <div class="row">
      <p v-if="block" aria-live="polite">
        <strong class="big">{{ block.expected_words }}</strong> expected alone · rung {{ rungWords(block.rung) }} ·
        {{ block.minutes }} min a set
      </p>
      <p v-else-if="data" class="not" aria-live="polite">{{ data.why_not }} {{ data.remedy }}</p>
      <button
        type="button"
        class="plain-button push"
        :disabled="!data?.easier"
        :title="data?.easier?.words"
        @click="jump(data?.easier?.grade)"
      >
        ◂ Easier
      </button>
      <button
        type="button"
        class="plain-button"
        :disabled="!data?.harder"
        :title="data?.harder?.words"
        @click="jump(data?.harder?.grade)"
      >
        Harder ▸
      </button>
    </div>
    <div class="dials">
      <GradeDial
        v-for="(dial, i) in data?.dials"
        :key="dial.axis"
        :dial="dial"
        :value="grade[i] ?? 0"
        @turn="grade = grade.with(i, $event)"
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
        <p v-for="c in block.cues" :key="c.support">
          <span class="soft small">{{ c.support_words }}:</span> {{ c.words }}
        </p>
      </div>
    </div>
    <p v-for="h in block?.verdict.hits" :key="h.rule + h.reason" class="row care">
      <VerdictSign :status="h.status" /><span
        ><strong>{{ h.reason }}</strong> {{ h.remedy }} <span class="soft small">{{ h.source }}</span></span
      >
    </p>
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
.care {
  flex-wrap: nowrap;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
