<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, Refused, unwrap } from '@/api/client'
import ChoiceRow from '@/components/shared/ChoiceRow.vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import HazardAsks from '@/components/shelf/HazardAsks.vue'
import LibraryChanges from '@/components/shelf/LibraryChanges.vue'
import OwnIssues from '@/components/shelf/OwnIssues.vue'
import OwnAxes from '@/components/shelf/OwnAxes.vue'
import OwnPicture from '@/components/shelf/OwnPicture.vue'
import OwnPractice from '@/components/shelf/OwnPractice.vue'
import OwnPreview from '@/components/shelf/OwnPreview.vue'
import OwnRoles from '@/components/shelf/OwnRoles.vue'
import OwnWordsPart from '@/components/shelf/OwnWordsPart.vue'
import FormatForm, { type FormatValues } from '@/components/shelf/FormatForm.vue'
import TaskForm, { type TaskValues } from '@/components/shelf/TaskForm.vue'
import ThingForm from '@/components/shelf/ThingForm.vue'
import ThingPreview from '@/components/shelf/ThingPreview.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useMay } from '@/composables/useMay'
import { useOwn, type Answer } from '@/composables/useOwn'
import { useWords } from '@/composables/useWords'
import { issueAt, type ActivityValues } from '@/logic/ownValues'
import type { ThingValues } from '@/logic/ownThing'

/** One own activity or thing: written on the left, seen on the right, checked all the while. */
const { entryId } = defineProps<{ entryId: string }>()
const { entry, values, looked, saved, error, busy, share, archive, dropDraft, takeNewest } = useOwn(() =>
  Number(entryId),
)
const map = useWords()
const mayDo = useMay()
const { data: words } = useQuery({
  queryKey: ['own-words'],
  queryFn: () => unwrap(api.GET('/api/own-words')),
  staleTime: Infinity,
})
const activity = computed(() => (entry.value?.kind === 'activity' ? (values.value as ActivityValues | null) : null))
const thing = computed(() => (entry.value?.kind === 'thing' ? (values.value as ThingValues | null) : null))
const task = computed(() => (entry.value?.kind === 'task' ? (values.value as unknown as TaskValues) : null))
const format = computed(() => (entry.value?.kind === 'format' ? (values.value as unknown as FormatValues) : null))
const KINDS = { activity: 'New activity', thing: 'New thing', task: 'New wanted task', format: 'New format' } as const
const may = computed(() => mayDo('shelf.write'))
const seeing = ref(false)
/** What keeps it from being shared: what is wrong, and what its words ask. */
const open = computed(() => [...(looked.value?.issues ?? []), ...(looked.value?.questions ?? [])])
const touched = ref(false) // nobody is told off for what they have not begun
const at = (path: string): string => (touched.value ? issueAt(open.value, path) : '')
watch(values, (_, before) => before && (touched.value = true), { deep: true })
const strandName = (id: string): string => map.value?.strands.find((s) => s.id === id)?.name ?? id
const said = { saved: 'Saved', saving: 'Saving…', unsaved: 'Not saved yet; kept on this device' } as const
const conflict = computed(() => error.value instanceof Refused && error.value.status === 409)
const shared = computed(() =>
  entry.value?.number ? `Version ${entry.value.number} is in use` : 'Draft, not shared yet',
)
const ready = computed(() => Boolean(looked.value) && !open.value.length)
const apart = computed(() => (error.value instanceof Refused && error.value.problem.fields.length ? null : error.value))

function takeLibrary(field: string, value: unknown): void {
  if (values.value) values.value[field] = value
}
</script>

<template>
  <div class="stack">
    <nav aria-label="Back"><RouterLink :to="{ name: 'shelf' }">‹ Our library</RouterLink></nav>
    <ProblemNote :error="apart" />
    <p v-if="conflict" class="row">
      <PlainButton @click="takeNewest">Keep what I wrote</PlainButton>
      <span class="soft">A colleague’s text is replaced by yours.</span>
    </p>
    <template v-if="entry && values && words">
      <header class="row">
        <h1>{{ String(values.name || '') || KINDS[entry.kind] }}</h1>
        <span class="tag">{{ entry.is_archived ? 'Archived' : shared }}</span>
        <span v-if="entry.has_draft && entry.number" class="tag caution">unshared changes</span>
        <span v-if="may" class="soft small" role="status">{{ said[saved] }}</span>
        <span v-if="may" class="row push">
          <PlainButton v-if="entry.has_draft && entry.number" @click="dropDraft">
            Back to version {{ entry.number }}
          </PlainButton>
          <PlainButton :disabled="busy" @click="archive(!entry.is_archived)">
            {{ entry.is_archived ? 'Restore' : 'Archive' }}
          </PlainButton>
          <PlainButton :href="`/api/own/${entry.id}/file`" download>Export</PlainButton>
          <PlainButton v-if="entry.has_draft || saved !== 'saved'" main :disabled="!ready || busy" @click="share">
            {{ entry.number ? 'Share this version' : 'Share in the clinic' }}
          </PlainButton>
        </span>
      </header>
      <LibraryChanges :changes="entry.library_changes" @take="takeLibrary" />
      <ChoiceRow
        v-if="may"
        v-model="seeing"
        class="switch"
        label="Edit or preview"
        :options="[
          { id: false, words: 'Edit' },
          { id: true, words: `Preview${open.length ? ` (${open.length} to settle)` : ''}` },
        ]"
      />
      <div class="both">
        <el-form
          v-if="may || task || format"
          class="sheet stack write"
          :class="{ away: may && seeing }"
          label-position="top"
          :disabled="!may"
          @submit.prevent
        >
          <fieldset :disabled="!may" class="stack">
            <template v-if="activity">
              <OwnWordsPart :model-value="activity" :at="at" />
              <OwnRoles :model-value="activity" :at="at" :words="words" :fills="looked?.activity?.fills ?? []" />
              <OwnPractice :model-value="activity" :at="at" :words="words" />
              <OwnAxes :model-value="activity" :at="at" :words="words" :strand-name="strandName" />
              <OwnPicture :model-value="activity" :at="at" :words="words" />
            </template>
            <TaskForm v-else-if="task" :model-value="task" :at="at" />
            <FormatForm v-else-if="format" :model-value="format" :at="at" :words="words" />
            <ThingForm v-else-if="thing" :model-value="thing" :at="at" :words="words" />
          </fieldset>
        </el-form>
        <aside class="sheet see" :class="{ away: may && !seeing }" aria-label="Preview">
          <HazardAsks
            v-if="values && (activity || thing)"
            :model-value="(values.answers ?? {}) as Record<string, Answer>"
            :looked="looked"
            :kept="entry.values"
            :hazards="words?.hazards ?? []"
            :may="may"
            @update:model-value="values.answers = $event"
          />
          <RowsSkeleton v-if="!looked" words="Drawing it…" :rows="2" tall />
          <OwnPreview v-if="activity" :looked="looked" />
          <ThingPreview v-else-if="thing" :looked="looked" />
          <OwnIssues v-else-if="may && (entry.has_draft || !entry.number)" :looked="looked" />
          <details v-if="entry.versions.length" class="versions">
            <summary>Versions</summary>
            <ul>
              <li v-for="v in entry.versions" :key="v.number">
                {{ v.number }}, {{ new Date(v.made_at).toLocaleDateString('en-GB') }}, {{ v.made_by }}
              </li>
            </ul>
            <p class="soft small">What was planned and run with a version keeps it.</p>
          </details>
        </aside>
      </div>
    </template>
    <p v-else-if="!error" class="soft">Fetching it…</p>
  </div>
</template>

<style scoped>
.push {
  margin-left: auto;
}
.both {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(320px, 2fr);
  gap: var(--gap-4);
  align-items: start;
}
.write > fieldset {
  gap: var(--gap-5);
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
}
.see {
  position: sticky;
  top: 12px;
  max-height: calc(100vh - 24px);
  overflow: auto;
}
.switch {
  display: none;
}
.versions {
  margin-top: var(--gap-3);
}
@media (max-width: 980px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
  .switch {
    display: flex;
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--paper);
    padding: 6px 0;
  }
  .away {
    display: none;
  }
  .see {
    position: static;
    max-height: none;
  }
}
</style>
