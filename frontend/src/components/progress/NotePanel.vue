<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import { useMe } from '@/composables/useMe'
import { dayWords } from '@/logic/words'
import ProblemNote from '@/components/shared/ProblemNote.vue'

/** The session's note: a draft from the data, edited, signed, then only amended. */
const { runId } = defineProps<{ runId: string }>()
const queries = useQueryClient()
const { data: me } = useMe()
const key = ['note', runId]
const path = { run_id: runId }
const { data: note } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET('/api/runs/{run_id}/note', { params: { path } })),
})
const text = ref('')
const more = ref('')
const error = ref<Error | null>(null)
watch(note, (now) => (text.value = now?.text ?? ''), { immediate: true })

async function change(request: () => Promise<Schemas['NoteOut']>): Promise<void> {
  error.value = null
  try {
    queries.setQueryData(key, await request())
    more.value = ''
  } catch (problem) {
    error.value = problem as Error
  }
}
const keep = (): Promise<void> =>
  change(() =>
    unwrap(
      api.PUT('/api/runs/{run_id}/note', {
        params: { path },
        body: { text: text.value, version: note.value?.version ?? 0 },
      }),
    ),
  )
const sign = async (): Promise<void> => {
  if (text.value !== note.value?.text || !note.value?.version) await keep()
  if (!error.value)
    await change(() =>
      unwrap(
        api.POST('/api/runs/{run_id}/note/sign', { params: { path }, body: { version: note.value?.version ?? 0 } }),
      ),
    )
}
const amend = (): Promise<void> =>
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
      <form class="row" @submit.prevent="amend">
        <el-input v-model="more" class="grow" placeholder="Add or correct something" aria-label="Amendment" /><button
          class="plain-button"
          :disabled="!more.trim()"
        >
          Add
        </button>
      </form>
    </template>
    <template v-else>
      <el-input v-model="text" type="textarea" :autosize="{ minRows: 5 }" aria-label="Note" />
      <div class="row">
        <button type="button" class="plain-button" @click="keep">Keep</button
        ><button v-if="me?.may.includes('note.sign')" type="button" class="plain-button main" @click="sign">
          Sign and lock
        </button>
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
