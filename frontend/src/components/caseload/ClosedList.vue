<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, unwrap } from '@/api/client'
import { dayWords } from '@/logic/words'

/** The children whose care has ended: each still has its record, and can be brought back from its page. */
const { data } = useQuery({ queryKey: ['closed'], queryFn: () => unwrap(api.GET('/api/closed-children')) })
</script>

<template>
  <details v-if="data?.length">
    <summary>Discharged and archived ({{ data.length }}{{ data.length === 100 ? ' latest' : '' }})</summary>
    <ul>
      <li v-for="c in data" :key="c.id">
        <RouterLink :to="{ name: 'child', params: { childId: c.id } }">{{ c.first_name }}</RouterLink>
        <span class="soft small"> {{ c.care }} {{ dayWords(c.closed_on) }}</span>
      </li>
    </ul>
  </details>
</template>

<style scoped>
summary {
  min-height: var(--touch);
  display: flex;
  align-items: center;
  cursor: pointer;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  columns: 3 220px;
}
li a {
  display: inline-block;
  padding: 6px 0;
}
</style>
