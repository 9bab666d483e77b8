<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, unwrap } from '@/api/client'

/** Which children: one press each. */
const chosen = defineModel<number[]>({ required: true })
const { data } = useQuery({ queryKey: ['caseload'], queryFn: () => unwrap(api.GET('/api/caseload')) })
const toggle = (id: number): void =>
  void (chosen.value = chosen.value.includes(id) ? chosen.value.filter((x) => x !== id) : [...chosen.value, id])
</script>

<template>
  <div class="row" role="group" aria-label="Children">
    <button
      v-for="c in data"
      :key="c.id"
      type="button"
      class="pick"
      :aria-pressed="chosen.includes(c.id)"
      @click="toggle(c.id)"
    >
      {{ c.first_name }} <span class="soft small">{{ c.home_name }}</span>
    </button>
  </div>
</template>
