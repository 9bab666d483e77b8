<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useClipboard } from '@vueuse/core'
import { ref } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'

/** One's visits in one's own calendar, by a secret link that can be withdrawn. */
const queries = useQueryClient()
const { data } = useQuery({ queryKey: ['feed'], queryFn: () => unwrap(api.GET('/api/me/calendar')) })
const { busy, error, doing } = useDoing()
const { copy, copied } = useClipboard({ legacy: true })
const address = ref('')

async function make(): Promise<void> {
  const made = await doing(() => unwrap(api.POST('/api/me/calendar')))
  address.value = made?.address ?? ''
  await queries.invalidateQueries({ queryKey: ['feed'] })
}

async function withdraw(): Promise<void> {
  await doing(() => unwrap(api.DELETE('/api/me/calendar')))
  address.value = ''
  await queries.invalidateQueries({ queryKey: ['feed'] })
}
</script>

<template>
  <section class="sheet stack" aria-label="Calendar">
    <h2>My visits in my calendar</h2>
    <p class="soft">
      A secret link for another calendar (iCalendar). It shows first names, places and times, and nothing from a record.
      Anyone who has the link can read it.
    </p>
    <template v-if="address">
      <input class="plain-input" readonly :value="address" aria-label="Calendar link" />
      <p class="small">Shown only this once.</p>
    </template>
    <div class="row">
      <PlainButton v-if="address" main @click="copy(address)">
        {{ copied ? 'Copied' : 'Copy' }}
      </PlainButton>
      <PlainButton :disabled="busy" @click="make">
        {{ data?.open ? 'Make a new link (ends the old one)' : 'Make a link' }}
      </PlainButton>
      <PlainButton v-if="data?.open" :disabled="busy" @click="withdraw">Withdraw</PlainButton>
    </div>
    <ProblemNote :error="error" />
  </section>
</template>
