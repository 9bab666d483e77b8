<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { momentWords, ROLES } from '@/logic/people'

/** One colleague: role, a new password, access taken away and given back. */
const { person, others } = defineProps<{ person: Schemas['PersonOut']; others: Schemas['PersonOut'][] }>()
const emit = defineEmits<{ changed: []; link: [link: Schemas['FreshLink']] }>()
const { data: me } = useMe()
const queries = useQueryClient()
const { busy, error, doing } = useDoing()
const asIs = (): Schemas['PersonEdit'] => ({ role: person.role, active: person.active, version: person.version })
const form = reactive(asIs())
const params = { path: { member_id: person.id } }
watch(
  () => person,
  () => Object.assign(form, asIs()),
)

async function save(): Promise<void> {
  const done = await doing(() => unwrap(api.PUT('/api/people/{member_id}', { params, body: form })))
  if (!done) Object.assign(form, asIs())
  emit('changed') // refused or not: another lead may have changed them meanwhile
}

const handed = ref('')
async function handOver(to: number): Promise<void> {
  const done = await doing(() => unwrap(api.POST('/api/people/{member_id}/hand-over', { params, body: { to } })))
  if (!done) return
  const name = others.find((o) => o.id === to)?.name ?? ''
  handed.value = done.children
    ? `${done.children} ${done.children === 1 ? 'child' : 'children'} to ${name}`
    : 'No child to hand over'
  await queries.invalidateQueries({ queryKey: ['caseload'] })
}

async function reset(): Promise<void> {
  const link = await doing(() => unwrap(api.POST('/api/people/{member_id}/reset', { params })))
  if (link) emit('link', link)
}
</script>

<template>
  <li class="person" :class="{ gone: !person.active }">
    <div class="row">
      <span class="who">
        <strong>{{ person.name }}</strong>
        <span class="soft small"
          >{{ person.username
          }}{{
            person.active
              ? person.last_seen
                ? `, last here ${momentWords(person.last_seen)}`
                : ', not here yet'
              : ', may not sign in; what they did stays under their name'
          }}</span
        >
      </span>
      <el-select
        v-model="form.role"
        class="role"
        :aria-label="`Role of ${person.name}`"
        :disabled="busy"
        @change="save"
      >
        <el-option v-for="(role, id) in ROLES" :key="id" :value="id" :label="role.word" />
      </el-select>
      <el-select
        v-if="person.role !== 'assistant' && others.length"
        :model-value="null"
        class="hand-over"
        placeholder="Hand over to…"
        :aria-label="`Hand the children of ${person.name} over to`"
        :disabled="busy"
        @change="handOver"
      >
        <el-option v-for="o in others" :key="o.id" :value="o.id" :label="o.name" />
      </el-select>
      <span v-if="handed" class="small" role="status">{{ handed }}</span>
      <PlainButton v-if="person.active" :disabled="busy" @click="reset"> New password </PlainButton>
      <PlainButton
        v-if="person.username !== me?.username"
        :disabled="busy"
        @click="((form.active = !person.active), save())"
      >
        {{ person.active ? 'Deactivate' : 'Reactivate' }}
      </PlainButton>
    </div>
    <ProblemNote :error="error" />
  </li>
</template>

<style scoped>
.person {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.person:first-child {
  border-top: 0;
}
.who {
  display: grid;
  flex: 1 1 180px;
}
.gone strong {
  font-weight: 400;
}
.hand-over {
  width: 136px;
}
.role {
  width: 112px;
}
</style>
