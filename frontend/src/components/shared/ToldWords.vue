<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** What somebody who never saw the activity needs to lead it: what is done, how, and what counts. */
defineProps<{ told: Schemas['ToldOut']; why?: boolean; brief?: boolean }>()
</script>

<template>
  <div v-if="told.does" class="told">
    <p class="does">{{ told.does }}</p>
    <p v-if="!brief" class="soft">{{ told.grade.join(' ') }}</p>
    <ol v-if="!brief">
      <li v-for="step in told.steps" :key="step">{{ step }}</li>
    </ol>
    <p>
      <strong>Counts when:</strong> {{ told.counts_when
      }}<template v-if="told.grip">{{ ' ' }}<strong>Grip:</strong> {{ told.grip }}.</template>
    </p>
    <p v-if="why"><strong>Good for:</strong> {{ told.why }}</p>
    <p v-if="!brief" class="stop">{{ told.stop }}</p>
  </div>
</template>

<style scoped>
.told {
  display: grid;
  gap: 4px;
}
.does {
  font-size: var(--step-2);
}
ol {
  margin: 0;
  padding-left: 22px;
}
.stop {
  border-left: 5px solid var(--barred);
  padding-left: 8px;
}
</style>
