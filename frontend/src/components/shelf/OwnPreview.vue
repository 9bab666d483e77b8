<script setup lang="ts">
import { ref } from 'vue'
import type { Looked } from '@/composables/useOwn'
import ChoiceRow from '@/components/shared/ChoiceRow.vue'
import OwnIssues from '@/components/shelf/OwnIssues.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ToldWords from '@/components/shared/ToldWords.vue'

/** What is written, as it will be seen: what is wrong first, else the picture, the family's words and the grades. */
const { looked } = defineProps<{ looked: Looked | undefined }>()
const hard = ref(false)
</script>

<template>
  <div v-if="looked" class="stack">
    <OwnIssues v-if="looked.issues.length" :looked="looked" />
    <template v-if="looked.activity">
      <ChoiceRow
        v-if="looked.activity.hardest_picture"
        v-model="hard"
        label="Which grade is shown"
        :options="[
          { id: false, words: 'Easiest' },
          { id: true, words: 'Hardest' },
        ]"
      />
      <ActivityPicture
        :picture="hard && looked.activity.hardest_picture ? looked.activity.hardest_picture : looked.activity.picture"
      />
      <ToldWords :told="looked.activity.told" why />
      <div v-if="looked.advice.length" class="notice" role="status">
        <p v-for="a in looked.advice" :key="a.at + a.reason" class="small">{{ a.reason }} {{ a.remedy }}</p>
      </div>
      <p>
        <strong>{{ looked.activity.grades.length }} grades</strong>,
        {{ looked.activity.strand_name.toLowerCase() }} rung {{ looked.activity.grades[0]!.rung.toFixed(1) }} to
        {{ looked.activity.grades.at(-1)!.rung.toFixed(1) }}. A set takes a child of five
        {{ looked.activity.minutes[0]!.toFixed(1) }} minutes.
      </p>
    </template>
  </div>
</template>

<style scoped></style>
