<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import { momentWords } from '@/logic/people'

/** When the last backup was made by itself, and whether that is long ago. */
const { data } = useQuery({ queryKey: ['upkeep'], queryFn: () => unwrap(api.GET('/api/upkeep')) })
const isLate = computed(() => {
  if (!data.value) return false
  const hours = data.value.last ? (Date.now() - Date.parse(data.value.last)) / 3_600_000 : Infinity
  return hours > data.value.late_after
})
</script>

<template>
  <template v-if="data">
    <h3>Backups</h3>
    <p v-if="data.last">
      <span v-if="isLate" class="tag caution">late</span> Last made {{ momentWords(data.last) }},
      {{ data.is_sealed ? 'encrypted' : 'not encrypted' }}; {{ data.kept }} kept on the server.
    </p>
    <p v-else><span class="tag caution">none yet</span> The first is made within an hour of the start.</p>
    <p v-if="data.worker_is_quiet">
      <span class="tag caution">quiet</span>
      {{
        data.worker_seen ? `No background worker since ${momentWords(data.worker_seen)}` : 'No background worker yet'
      }}: nothing is planned overnight, no backup is made. Ask whoever looks after the server.
    </p>
    <p class="soft small">
      A copy on another machine is needed too, in case this one is lost: ask whoever looks after the server.
    </p>
  </template>
</template>
