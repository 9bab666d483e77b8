<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import type { Child } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'

/** The whole record, out of Pollicor as a file or to be read; and its deletion, on request. */
const { child } = defineProps<{ child: Child }>()
const router = useRouter()
const queries = useQueryClient()
const { data: me } = useMe()
const { busy, at, apart, doing } = useDoing()
const asks = ref(false)
const form = reactive({ name: '', reason: '' })
const base = `/api/children/${child.id}/export`

async function remove(): Promise<void> {
  const params = { path: { child_id: child.id } }
  const gone = await doing(() => unwrap(api.POST('/api/children/{child_id}/deletion', { params, body: form })))
  if (!gone) return
  await router.replace('/')
  queries.removeQueries({ queryKey: ['child', child.id] })
  for (const key of ['caseload', 'closed', 'old-records'] as const) void queries.invalidateQueries({ queryKey: [key] })
}
</script>

<template>
  <div v-if="me?.may.includes('record.export')" class="stack">
    <div class="row small">
      <span class="soft">The whole record:</span>
      <a :href="`${base}.pdf`" target="_blank" rel="noopener">to read (PDF)</a>
      <a :href="`${base}.json`">as a file (JSON)</a>
      <button v-if="me.may.includes('record.delete')" type="button" class="link" @click="asks = !asks">
        Delete it…
      </button>
    </div>
    <el-form v-if="asks" label-position="top" novalidate class="notice barred" @submit.prevent="remove">
      <p>
        This deletes everything about {{ child.first_name }}: plans, sessions, notes, goals and visits, and their home
        with its cupboard if nobody else uses it. It can’t be undone. The audit log keeps who did what and when, and
        this deletion with its reason. Export anything the law requires you to keep first.
      </p>
      <el-form-item label="Who asked for it, and when" :error="at('reason')"
        ><el-input v-model="form.reason" maxlength="500"
      /></el-form-item>
      <el-form-item :label="`Write ${child.first_name} to go on`" :error="at('name')"
        ><el-input v-model="form.name" autocomplete="off"
      /></el-form-item>
      <ProblemNote :error="apart" />
      <PlainButton type="submit" :disabled="busy">Delete the whole record</PlainButton>
    </el-form>
  </div>
</template>

<style scoped>
.link {
  border: 0;
  background: none;
  color: var(--barred);
  text-decoration: underline;
  min-height: 32px;
  font-size: inherit;
  cursor: pointer;
}
</style>
