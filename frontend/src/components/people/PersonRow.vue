<script setup lang="ts">
import { reactive, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { momentWords, ROLES } from '@/logic/people'

/** One colleague: role, a new password, access taken away and given back. */
const { person } = defineProps<{ person: Schemas['PersonOut'] }>()
const emit = defineEmits<{ changed: []; link: [link: Schemas['FreshLink']] }>()
const { data: me } = useMe()
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
      <button v-if="person.active" class="plain-button" type="button" :disabled="busy" @click="reset">
        New password
      </button>
      <button
        v-if="person.username !== me?.username"
        class="plain-button"
        type="button"
        :disabled="busy"
        @click="((form.active = !person.active), save())"
      >
        {{ person.active ? 'Deactivate' : 'Reactivate' }}
      </button>
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
.role {
  width: 130px;
}
</style>
