<script setup lang="ts">
import type { Block } from '@/composables/useBench'
import KitSwaps from '@/components/bench/KitSwaps.vue'
import TaskChain from '@/components/shared/TaskChain.vue'
import CueLines from '@/components/shared/CueLines.vue'
import VerdictLines from '@/components/shared/VerdictLines.vue'

defineProps<{ block: Block; childId: number; homeId: number; dim?: boolean }>()
const emit = defineEmits<{ pick: [grade: number[]] }>()
</script>

<template>
  <div class="details" :class="{ dim }">
    <div class="words">
      <p v-if="block.told.does">{{ block.told.does }}</p>
      <p v-if="block.told.counts_when">
        <strong>Counts when:</strong> {{ block.told.counts_when
        }}<template v-if="block.told.grip">{{ ' ' }}<strong>Grip:</strong> {{ block.told.grip }}.</template>
      </p>
      <p>
        <RouterLink
          :to="{
            name: 'activity',
            params: { childId, activityId: block.activity_id },
            query: { home: homeId, grade: block.grade.join(',') },
          }"
          >Steps, and a card for the family</RouterLink
        >
      </p>
    </div>
    <div>
      <h3>Set out</h3>
      <p>{{ block.setup }}</p>
      <p class="soft small">{{ block.posture }}</p>
      <KitSwaps
        :child-id="childId"
        :home-id="homeId"
        :activity-id="block.activity_id"
        :grade="block.grade"
        :quantities="block.quantities"
        @pick="emit('pick', $event)"
      />
      <p>
        <strong>{{ block.sets }} {{ block.sets === 1 ? 'set' : 'sets' }} of {{ block.count }}</strong> {{ block.unit
        }}<span class="soft small">
          · about {{ Math.round(block.seconds_a_try) }} s a try, then {{ Math.round(block.rest_seconds) }} s rest</span
        >
      </p>
      <p v-if="block.overlay" class="small">On the side: {{ block.overlay }}</p>
      <TaskChain v-if="block.chain.length" :chain="block.chain" />
    </div>
    <div>
      <h3>Say or do</h3>
      <CueLines :cues="block.cues" />
    </div>
    <div>
      <h3>Watch</h3>
      <ul>
        <li v-for="m in block.watch" :key="m.id">
          {{ m.words }} <span class="soft small">{{ m.cue }}</span>
        </li>
      </ul>
    </div>
    <div v-if="block.verdict.hits.length" class="careful">
      <VerdictLines :hits="block.verdict.hits" />
    </div>
  </div>
</template>

<style scoped>
.details {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--gap-3);
  border-top: 1px solid var(--line);
  padding-top: var(--gap-3);
}
.words {
  grid-column: 1 / -1;
  display: grid;
  gap: var(--gap-2);
  align-content: start;
}
.dim {
  opacity: 0.6;
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
.careful {
  grid-column: 1 / -1;
  background: var(--caution-soft);
  border-radius: 8px;
  padding: 8px 12px;
}
@media (max-width: 800px) {
  .details {
    grid-template-columns: 1fr;
  }
}
</style>
