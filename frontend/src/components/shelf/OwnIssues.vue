<script setup lang="ts">
import type { Looked } from '@/composables/useOwn'
import { placeWords } from '@/logic/words'

/** What is still wrong with what is being written, the first six of it; or that nothing is. */
defineProps<{ looked: Looked | undefined }>()
</script>

<template>
  <div v-if="looked?.issues.length" class="notice" role="status">
    <strong
      >{{ looked.issues.length }} {{ looked.issues.length === 1 ? 'thing' : 'things' }} to fix before sharing</strong
    >
    <ul class="small">
      <li v-for="i in looked.issues.slice(0, 6)" :key="i.at + i.reason">
        <strong v-if="i.at">{{ placeWords(i.at) }}:</strong> {{ i.reason }} {{ i.remedy }}
      </li>
    </ul>
  </div>
  <p v-else-if="looked && !looked.questions.length" class="soft" role="status">Ready to share.</p>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
</style>
