<script setup lang="ts">
/** What to keep in sight of a child at the table: mouthing, allergies, precautions. */
defineProps<{ alerts: string[] }>()
</script>

<template>
  <ul v-if="alerts.length" aria-label="Keep in sight">
    <li v-for="a in alerts" :key="a">{{ a }}</li>
  </ul>
  <p v-else class="small">No allergy, precaution or mouthing is noted.</p>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 2px 10px;
  border: 1px solid var(--caution);
  border-radius: 999px;
  background: var(--caution-soft);
  color: var(--ink);
  font-weight: 700;
  line-height: 1.3;
}
</style>
