<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'

/** Own activities and things exported as a file and imported from one. */
defineProps<{ entries: Schemas['OwnLine'][] }>()
const queries = useQueryClient()
const { busy, error, doing } = useDoing()
const taken = ref<Schemas['TakenInOut'] | null>(null)
const unread = ref('')

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  unread.value = ''
  taken.value = null
  let read: Schemas['FileIn']['file']
  try {
    read = JSON.parse(await file.text()) as Schemas['FileIn']['file']
  } catch {
    unread.value = `${file.name} is not JSON. Export it again where it came from.`
    return
  }
  taken.value = (await doing(() => unwrap(api.POST('/api/own-file', { body: { file: read } })))) ?? null
  void queries.invalidateQueries({ queryKey: ['own-list'] })
}
</script>

<template>
  <section class="stack" aria-label="Export and import">
    <div class="row">
      <PlainButton v-if="entries.length" href="/api/own-file" download>Export all</PlainButton>
      <label class="plain-button file" :class="{ busy }"
        >Import a file…<input type="file" accept="application/json,.json" class="visually-hidden" @change="take"
      /></label>
      <span class="soft small">Imported entries are checked, and wait as drafts until you share them.</span>
    </div>
    <p v-if="unread" class="notice barred" role="alert">{{ unread }}</p>
    <ProblemNote :error="error" />
    <div v-if="taken" class="notice" role="status">
      <p>
        {{ taken.begun.length }} imported as {{ taken.begun.length === 1 ? 'a draft' : 'drafts'
        }}{{ taken.known.length ? `, ${taken.known.length} already here` : ''
        }}{{ taken.refused.length ? `, ${taken.refused.length} refused` : '' }}.
      </p>
      <p v-for="r in taken.refused" :key="r.name" class="small">
        <strong>{{ r.name }}</strong>: {{ r.issues.map((i) => `${i.reason} ${i.remedy}`).join(' ') }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.file {
  display: inline-flex;
  align-items: center;
}
.file:focus-within {
  outline: 3px solid var(--brass);
  outline-offset: 2px;
}
</style>
