<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'

const open = ref(false)
onKeyStroke('Escape', () => (open.value = false))
defineProps<{ title: string; reasons: Schemas['ReasonOut'][]; beat: string }>()
</script>

<template>
  <el-popover v-model:visible="open" :width="360" trigger="click" :title="title">
    <template #reference><button type="button" class="why" :aria-expanded="open">why?</button></template>
    <ul>
      <li v-for="r in reasons" :key="r.term">
        <strong>{{ r.factor.toFixed(2) }}</strong> {{ r.words }}
      </li>
    </ul>
    <p v-if="beat" class="small">Instead of {{ beat }}.</p>
    <p class="small soft">
      A minute is worth the product of these, from 0 to 1. Success odds: Rasch 1960, from this child's own sets.
    </p>
  </el-popover>
</template>

<style scoped>
.why {
  border: 0;
  background: none;
  color: var(--water);
  text-decoration: underline;
  font-size: var(--step-1);
  min-height: 32px;
  cursor: pointer;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
  display: grid;
  gap: 4px;
}
</style>
