<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMay } from '@/composables/useMay'

/** What can be made of an activity: a copy of one's own, a change to one's own, or hidden in this clinic. */
const { activityId, name } = defineProps<{ activityId: string; name: string }>()
const router = useRouter()
const queries = useQueryClient()
const mayDo = useMay()
const may = computed(() => mayDo('shelf.write'))
const { data: own } = useQuery({
  queryKey: ['own-list'],
  queryFn: () => unwrap(api.GET('/api/own')),
  enabled: () => activityId.startsWith('own-'),
})
const entry = computed(() => own.value?.find((e) => e.ref === activityId))
const { busy, error, doing } = useDoing()
const hidden = ref(false)

async function copy(): Promise<void> {
  const body = { kind: 'activity' as const, blank: '', copy_of: activityId, request: crypto.randomUUID() }
  const made = await doing(() => unwrap(api.POST('/api/own', { body })))
  if (made) await router.push({ name: 'own', params: { entryId: String(made.id) } })
}

/** Hidden at once, and shown again with one press. */
async function hide(is_hidden: boolean): Promise<void> {
  const done = await doing(() => unwrap(api.PUT('/api/hidden', { body: { activity_id: activityId, is_hidden } })))
  if (!done) return
  hidden.value = is_hidden
  for (const key of ['hidden', 'library'] as const) void queries.invalidateQueries({ queryKey: [key] })
}
</script>

<template>
  <div v-if="may" class="row no-print">
    <PlainButton v-if="entry" :to="{ name: 'own', params: { entryId: String(entry.id) } }">Change it</PlainButton>
    <template v-else-if="!activityId.startsWith('own-')">
      <PlainButton :disabled="busy" @click="copy">Make it your own</PlainButton>
      <PlainButton v-if="!hidden" :disabled="busy" @click="hide(true)"> Hide in this clinic </PlainButton>
      <span v-else role="status"
        >{{ name }} is not offered any more. <PlainButton @click="hide(false)">Undo</PlainButton></span
      >
    </template>
    <ProblemNote :error="error" />
  </div>
</template>
