<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import RecordKeeping from '@/components/people/RecordKeeping.vue'
import ClinicSettings from '@/components/people/ClinicSettings.vue'
import FreshLink from '@/components/people/FreshLink.vue'
import InviteForm from '@/components/people/InviteForm.vue'
import PersonRow from '@/components/people/PersonRow.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { momentWords, ROLES } from '@/logic/people'

/** The clinic's people and settings, for its lead. */
const queries = useQueryClient()
const { data, error, isPending } = useQuery({ queryKey: ['people'], queryFn: () => unwrap(api.GET('/api/people')) })
const fresh = ref<Schemas['FreshLink'] | null>(null)
const { error: refused, doing } = useDoing()

/** Who may take over a colleague's children. */
const heirs = (id: number): Schemas['PersonOut'][] =>
  (data.value?.people ?? []).filter((p) => p.id !== id && p.active && p.role !== 'assistant')

const again = (): Promise<void> => queries.invalidateQueries({ queryKey: ['people'] })

function made(link: Schemas['FreshLink']): void {
  fresh.value = link
  void again()
}

async function withdraw(id: number): Promise<void> {
  await doing(() => unwrap(api.DELETE('/api/links/{link_id}', { params: { path: { link_id: id } } })))
  if (fresh.value?.id === id) fresh.value = null
  await again()
}
</script>

<template>
  <div class="stack">
    <h1>Clinic</h1>
    <ProblemNote :error="error ?? refused" />
    <RowsSkeleton v-if="isPending" words="Fetching the people…" :rows="4" tall />
    <div v-else-if="data" class="halves">
      <section class="sheet stack" aria-label="People">
        <h2>People</h2>
        <ul class="plain">
          <PersonRow
            v-for="p in data.people"
            :key="p.id"
            :person="p"
            :others="heirs(p.id)"
            @changed="again"
            @link="made"
          />
        </ul>
        <h3>Invite a colleague</h3>
        <InviteForm @made="made" />
        <FreshLink v-if="fresh" :link="fresh" @close="fresh = null" />
        <template v-if="data.links.length">
          <h3>Links not used yet</h3>
          <ul class="plain">
            <li v-for="link in data.links" :key="link.id" class="row line">
              <span>
                <strong>{{ link.for_name }}</strong>,
                {{ link.kind === 'reset' ? 'new password' : ROLES[link.role ?? 'assistant'].word.toLowerCase() }}
              </span>
              <span class="soft small">good until {{ momentWords(link.expires_at) }}</span>
              <PlainButton class="end" @click="withdraw(link.id)">Withdraw</PlainButton>
            </li>
          </ul>
        </template>
      </section>
      <div class="stack"><ClinicSettings /><RecordKeeping /></div>
    </div>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: var(--gap-4);
  align-items: start;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
.plain {
  list-style: none;
  margin: 0;
  padding: 0;
}
.line {
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.end {
  margin-left: auto;
}
</style>
