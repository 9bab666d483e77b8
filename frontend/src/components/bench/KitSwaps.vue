<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import SwapList from '@/components/library/SwapList.vue'

/** The things an activity wants, each with what else could stand in. */
defineProps<{
  childId: number
  homeId: number
  activityId: string
  grade: number[]
  quantities: Schemas['QuantityOut'][]
}>()
const emit = defineEmits<{ pick: [grade: number[]] }>()
const open = ref('')
</script>

<template>
  <ul>
    <li v-for="q in quantities" :key="q.role">
      <strong>{{ q.wanted }}</strong> {{ q.name.toLowerCase() }}
      <span v-if="q.rounds > 1" class="soft">({{ q.have }} here: {{ q.rounds }} rounds)</span>
      <span v-else-if="q.single_use" class="soft">(used up)</span>
      <span v-if="q.cut" class="soft">&nbsp;{{ q.cut }}</span>
      <button
        type="button"
        class="link"
        :aria-expanded="open === q.role"
        :aria-label="`What else instead of ${q.name}`"
        @click="open = open === q.role ? '' : q.role"
      >
        instead?
      </button>
      <SwapList
        v-if="open === q.role"
        :child-id="childId"
        :home-id="homeId"
        :activity-id="activityId"
        :grade="grade"
        :role="q.role"
        @pick="emit('pick', $event)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 4px 0;
  padding-left: 18px;
}
.link {
  border: 0;
  background: none;
  color: var(--water);
  text-decoration: underline;
  cursor: pointer;
  min-height: 32px;
}
</style>
