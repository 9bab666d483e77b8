<script setup lang="ts">
import GradeDial from '@/components/bench/GradeDial.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ToldWords from '@/components/shared/ToldWords.vue'
import VerdictLines from '@/components/shared/VerdictLines.vue'
import { useGrade } from '@/composables/useGrade'
import type { Reach } from '@/logic/library'
import { rungWords } from '@/logic/words'

/** One of two activities side by side: picture, forecast, what it takes, what it trains; its dials live. */
const { reach, childId, homeId } = defineProps<{ reach: Reach; childId: number; homeId: number }>()
const { grade, data, block, turn } = useGrade(
  () => childId,
  () => homeId,
  () => reach.activity_id,
  reach.nearest.length ? reach.nearest : reach.easiest,
  reach.parts[0] ?? 'main',
)
</script>

<template>
  <article class="sheet stack">
    <h2>
      <RouterLink
        :to="{
          name: 'activity',
          params: { activityId: reach.activity_id },
          query: { home: homeId, grade: grade.join() },
        }"
        >{{ reach.name }}</RouterLink
      >
    </h2>
    <template v-if="data">
      <ActivityPicture :picture="data.picture" />
      <dl>
        <dt>Expected alone</dt>
        <dd>
          <strong>{{ block ? block.expected_words : data.why_not }}</strong>
        </dd>
        <template v-if="block">
          <dt>A set</dt>
          <dd>{{ block.count }} {{ block.unit }}, {{ reach.minutes[0]!.toFixed(1) }} min</dd>
          <dt>Takes</dt>
          <dd>{{ block.quantities.map((q) => `${q.wanted} ${q.name.toLowerCase()}`).join(', ') || 'nothing' }}</dd>
        </template>
        <dt>Trains</dt>
        <dd>
          {{
            data.asks
              .filter((a) => a.trained)
              .map((a) => `${a.strand_name}, rung ${rungWords(a.rung)}`)
              .join('; ')
          }}
        </dd>
        <template v-if="data.asks.some((a) => !a.trained)">
          <dt>Requires</dt>
          <dd>
            {{
              data.asks
                .filter((a) => !a.trained)
                .map((a) => `${a.strand_name}, rung ${rungWords(a.rung)}`)
                .join('; ')
            }}
          </dd>
        </template>
        <dt>Where</dt>
        <dd>{{ block?.posture ?? reach.where }}</dd>
      </dl>
      <GradeDial
        v-for="(dial, i) in data.dials"
        :key="dial.axis"
        :dial="dial"
        :value="grade[i] ?? 0"
        @turn="turn(i, $event)"
      />
      <ToldWords :told="data.told" why />
      <VerdictLines :hits="block?.verdict.hits ?? []" />
    </template>
  </article>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 4px var(--gap-2);
  margin: 0;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
</style>
