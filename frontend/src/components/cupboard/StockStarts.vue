<script setup lang="ts">
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useOpenHomes } from '@/composables/usePlaces'
import { missing, type Shelf, usual } from '@/logic/shelves'

/** Starts: what most homes have, another home's cupboard, a list as a file; and a checklist on paper. */
const { homeId, shelves, counts } = defineProps<{ homeId: number; shelves: Shelf[]; counts: Record<string, number> }>()
const emit = defineEmits<{ set: [counts: Record<string, number>]; taken: [now: Schemas['Counts']] }>()
const homes = useOpenHomes()
const { busy, error, doing } = useDoing()
const from = ref<number>()
const file = ref<HTMLInputElement | null>(null)

async function copy(id: number): Promise<void> {
  const theirs = await doing(() =>
    unwrap(api.GET('/api/homes/{home_id}/counts', { params: { path: { home_id: id } } })),
  )
  if (theirs) emit('set', missing(theirs.counts, counts))
  from.value = undefined
}

async function take(): Promise<void> {
  const chosen = file.value?.files?.[0]
  if (!chosen) return
  const body = { text: await chosen.text() }
  const now = await doing(() =>
    unwrap(api.POST('/api/homes/{home_id}/list', { params: { path: { home_id: homeId } }, body })),
  )
  if (file.value) file.value.value = ''
  if (now) emit('taken', now)
}
</script>

<template>
  <div class="row starts">
    <PlainButton
      main
      @click="
        emit(
          'set',
          usual(
            shelves.filter((s) => s.id === 'kitchen'),
            counts,
          ),
        )
      "
    >
      The usual kitchen
    </PlainButton>
    <PlainButton @click="emit('set', usual(shelves, counts))">The usual home</PlainButton>
    <el-select v-model="from" class="from" placeholder="Copy from…" aria-label="Copy from" filterable @change="copy">
      <el-option v-for="h in homes.filter((x) => x.id !== homeId)" :key="h.id" :value="h.id" :label="h.name" />
    </el-select>
    <PlainButton :disabled="busy" @click="file?.click()">From a list (CSV)…</PlainButton>
    <input
      ref="file"
      class="visually-hidden"
      type="file"
      accept=".csv,text/csv"
      aria-label="List as CSV"
      @change="take"
    />
    <PlainButton :href="`/api/homes/${homeId}/checklist`" target="_blank" rel="noopener"
      >Checklist to print</PlainButton
    >
    <ProblemNote :error="error" />
  </div>
</template>

<style scoped>
.from {
  width: 170px;
}
</style>
