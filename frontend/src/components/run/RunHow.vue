<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import ToldWords from '@/components/shared/ToldWords.vue'

/** How the activity is done: in view for somebody who runs another's plan, one tap away for a therapist. */
const { block, open, brief } = defineProps<{ block: Schemas['RunBlockOut']; open: boolean; brief: boolean }>()
const shown = ref<boolean>()
const shows = computed(() => shown.value ?? open)
</script>

<template>
  <div>
    <PlainButton :aria-expanded="shows" @click="shown = !shows">
      {{ shows ? 'Hide how it is done' : 'How it is done' }}
    </PlainButton>
    <div v-if="shows" class="how">
      <ActivityPicture :picture="block.picture" />
      <ToldWords :told="block.told" :brief="brief" />
    </div>
  </div>
</template>

<style scoped>
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  background: var(--sheet);
  border-radius: var(--round);
  padding: 8px 12px;
}
.how > :first-child {
  flex: 0 1 auto;
}
.how > :last-child {
  flex: 1 1 260px;
}
.how :deep(svg.picture) {
  max-height: 150px;
}
</style>
