<script setup lang="ts">
import type { Schemas } from '@/api/client'

defineProps<{ kit: Schemas['KitLineOut'][] }>()
</script>

<template>
  <section class="sheet" aria-label="Bring to the table">
    <h3>Bring to the table</h3>
    <ul>
      <li v-for="k in kit" :key="k.name" :class="{ short: k.short }">
        <strong>{{ k.wanted }}</strong> {{ k.name.toLowerCase() }}<span v-if="k.short"> ({{ k.short }} missing)</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  columns: 2;
  font-size: var(--step-0);
}
.short {
  color: var(--barred);
}
</style>
