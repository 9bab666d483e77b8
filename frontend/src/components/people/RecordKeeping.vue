<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import BackupLine from '@/components/people/BackupLine.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { dayWords } from '@/logic/words'

/** Records past keeping, the audit log, backups, and the demo clinic's end. */
const queries = useQueryClient()
const { data: old } = useQuery({ queryKey: ['old-records'], queryFn: () => unwrap(api.GET('/api/old-records')) })
const { data: clinic } = useQuery({ queryKey: ['clinic'], queryFn: () => unwrap(api.GET('/api/clinic')) })
const { busy, error, doing } = useDoing()
const sure = ref(false)

async function removeDemo(): Promise<void> {
  if (!sure.value) {
    sure.value = true
    return
  }
  await doing(() => unwrap(api.DELETE('/api/demo')))
  await queries.invalidateQueries({ queryKey: ['clinic'] })
}
</script>

<template>
  <section class="sheet stack" aria-label="Records and library">
    <h2>Records and library</h2>
    <p><RouterLink :to="{ name: 'learned' }">What your sessions taught the library</RouterLink></p>
    <p><RouterLink :to="{ name: 'audit' }">Audit log: who read and changed what</RouterLink></p>
    <template v-if="old?.length">
      <h3>Records past the keeping period</h3>
      <ul class="plain">
        <li v-for="c in old" :key="c.id">
          <RouterLink :to="{ name: 'child', params: { childId: c.id } }">{{ c.first_name }}</RouterLink>
          <span class="soft small"> care ended {{ dayWords(c.closed_on) }} {{ c.closed_on.slice(0, 4) }}</span>
        </li>
      </ul>
      <p class="soft small">Nothing is deleted automatically. Each record is deleted on its own page, with a reason.</p>
    </template>
    <BackupLine />
    <template v-if="clinic?.demo">
      <h3>Demo clinic</h3>
      <p class="soft small">A made-up clinic exists beside yours, with its own sign-ins.</p>
      <div>
        <PlainButton :disabled="busy" @click="removeDemo">
          {{ sure ? 'Remove it with everything in it' : 'Remove the demo clinic…' }}
        </PlainButton>
      </div>
    </template>
    <ProblemNote :error="error" />
  </section>
</template>

<style scoped>
.plain {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
