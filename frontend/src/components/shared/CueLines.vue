<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** What to say or do, from the least help to the most. */
defineProps<{ cues: Schemas['BlockOut']['cues'] }>()
</script>

<template>
  <ul class="cues">
    <li v-for="c in cues" :key="c.support">
      <span class="soft small">{{ c.support_words }}</span> {{ c.words }}
    </li>
  </ul>
</template>

<style scoped>
.cues {
  list-style: none;
  margin: 4px 0;
  padding: 0;
}
.cues span {
  display: block;
}
</style>
