<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import { useMe } from '@/composables/useMe'
import { momentWords } from '@/logic/people'
import { dayWords } from '@/logic/words'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'

/** The session's note: a draft from the data, edited, signed, then only amended. */
const { runId } = defineProps<{ runId: string }>()
const queries = useQueryClient()
const { data: me } = useMe()
const key = ['note', runId] as const
const path = { run_id: runId }
const { data: note } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET('/api/runs/{run_id}/note', { params: { path } })),
})
const text = ref('')
const more = ref('')
const asks = ref(false)
const error = ref<Error | null>(null)
const unread = ref(false)
/** The text as the server gave it, and the draft it follows: what differs from it is the therapist's own. */
let given: Pick<Schemas['NoteOut'], 'text' | 'draft'> | undefined

async function change(request: () => Promise<Schemas['NoteOut']>): Promise<boolean> {
  error.value = null
  try {
    const now = await request()
    take(now)
    queries.setQueryData(key, now)
    more.value = ''
    return true
  } catch (problem) {
    error.value = problem as Error
    if (problem instanceof Refused && problem.status === 409) void queries.invalidateQueries({ queryKey: key })
    return false
  }
}
function take(now: Schemas['NoteOut']): void {
  given = { text: now.text, draft: now.draft }
  text.value = now.text
}
function keep(): Promise<boolean> {
  const body = { text: text.value, version: note.value?.version ?? 0, draft: given?.draft ?? '' }
  return change(() => unwrap(api.PUT('/api/runs/{run_id}/note', { params: { path }, body })))
}
/** When the record has changed, so has the draft: what was typed meanwhile is kept, and follows. */
watch(
  note,
  (now) => {
    if (!now) return
    if (!given || text.value === given.text || now.signed_at) take(now)
    else if (now.draft !== given.draft) void keep()
  },
  { immediate: true },
)

const openSteps = computed(() => note.value?.open_steps ?? 0)
async function sign(): Promise<void> {
  asks.value = false
  const read = text.value.trim()
  if (!(await keep())) return
  unread.value = text.value !== read
  if (unread.value) return
  const body = { version: note.value?.version ?? 0, open_steps: openSteps.value }
  await change(() => unwrap(api.POST('/api/runs/{run_id}/note/sign', { params: { path }, body })))
}
async function count(): Promise<void> {
  error.value = null
  try {
    await unwrap(api.POST('/api/runs/{run_id}/finish', { params: { path } }))
    for (const stale of [key, ['results', runId] as const]) void queries.invalidateQueries({ queryKey: stale })
  } catch (problem) {
    error.value = problem as Error
  }
}
const amend = (): Promise<boolean> =>
  change(() => unwrap(api.POST('/api/runs/{run_id}/note/amendments', { params: { path }, body: { text: more.value } })))
</script>

<template>
  <section v-if="note" class="sheet stack" aria-label="Note">
    <h2>
      Note <span v-if="!note.version" class="soft small">drafted from what was counted; change what you like</span
      ><span v-if="note.signed_at" class="tag">signed by {{ note.signed_by }}, {{ dayWords(note.signed_at) }}</span>
    </h2>
    <template v-if="note.signed_at">
      <p class="words">{{ note.text }}</p>
      <p v-for="a in note.amendments" :key="a.at" class="words amended">
        <strong>Added {{ dayWords(a.at) }} by {{ a.by }}:</strong> {{ a.text }}
      </p>
      <div v-if="note.after_signing.length" class="notice">
        <p><strong>Arrived after signing, not counted.</strong> Add an amendment if it matters.</p>
        <p v-for="(t, i) in note.after_signing" :key="i" class="small">
          {{ momentWords(t.at) }} · {{ t.activity }}: {{ t.words }}
        </p>
      </div>
      <form class="row" @submit.prevent="amend">
        <el-input
          v-model="more"
          class="grow"
          placeholder="Add or correct something"
          aria-label="Amendment"
        /><PlainButton type="submit" :disabled="!more.trim()"> Add </PlainButton>
      </form>
    </template>
    <template v-else>
      <p v-if="note.late_taps" class="notice row" role="status">
        {{ note.late_taps === 1 ? '1 tap' : `${note.late_taps} taps` }} arrived after the run had ended.
        <PlainButton @click="count">Count them now</PlainButton>
      </p>
      <p v-if="unread" class="notice" role="status">
        The record changed while you wrote, and the note with it. Read it once more, then sign.
      </p>
      <el-input v-model="text" type="textarea" :autosize="{ minRows: 5 }" aria-label="Note" />
      <div class="row">
        <PlainButton @click="keep">Keep</PlainButton
        ><PlainButton v-if="me?.may.includes('note.sign') && !asks" main @click="asks = true">
          Sign and lock…
        </PlainButton>
        <template v-if="asks">
          <span role="status"
            ><strong v-if="openSteps"
              >{{ openSteps === 1 ? '1 next step is' : `${openSteps} next steps are` }} not answered. </strong
            >Once signed, the note and what was counted stay as they are.</span
          >
          <PlainButton main @click="sign">
            {{ openSteps ? 'Sign all the same' : 'Sign and lock' }}
          </PlainButton>
          <PlainButton @click="asks = false">Not yet</PlainButton>
        </template>
      </div>
    </template>
    <ProblemNote :error="error" />
  </section>
</template>

<style scoped>
.words {
  white-space: pre-line;
}
.amended {
  border-left: 4px solid var(--brass);
  padding-left: 10px;
}
.grow {
  flex: 1;
}
</style>
