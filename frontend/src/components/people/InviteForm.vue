<script setup lang="ts">
import { reactive } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { ROLES } from '@/logic/people'

/** A new colleague's name and role; what comes back is a link that works once. */
const emit = defineEmits<{ made: [link: Schemas['FreshLink']] }>()
const { busy, at, apart, doing } = useDoing()
const form = reactive<Schemas['Invitation']>({ name: '', role: 'therapist', email: '' })

async function save(): Promise<void> {
  const link = await doing(() => unwrap(api.POST('/api/links', { body: form })))
  if (!link) return
  form.name = form.email = ''
  emit('made', link)
}
</script>

<template>
  <el-form label-position="top" novalidate @submit.prevent="save">
    <div class="invite">
      <el-form-item label="Name" :error="at('name')"><el-input v-model="form.name" maxlength="80" /></el-form-item>
      <el-form-item label="Role" :error="at('role')">
        <el-select v-model="form.role" aria-label="Role of the new colleague">
          <el-option v-for="(role, id) in ROLES" :key="id" :value="id" :label="role.word" />
        </el-select>
      </el-form-item>
      <el-form-item label="E-mail (may be left empty)" :error="at('email')"
        ><el-input v-model="form.email" type="email" maxlength="254" autocomplete="off"
      /></el-form-item>
      <PlainButton type="submit" :disabled="busy">Make a link</PlainButton>
    </div>
    <p class="soft small">{{ ROLES[form.role].word }}: {{ ROLES[form.role].may }}.</p>
    <ProblemNote :error="apart" />
  </el-form>
</template>

<style scoped>
.invite {
  display: grid;
  grid-template-columns: minmax(0, 3fr) 130px minmax(0, 3fr) auto;
  gap: var(--gap-2);
  align-items: start;
}
.invite :deep(.el-form-item) {
  margin-bottom: 4px;
}
.invite button {
  margin-top: 30px; /* beside the fields, under their labels */
}
@media (max-width: 500px) {
  .invite {
    grid-template-columns: minmax(0, 1fr);
  }
  .invite button {
    margin-top: 0;
  }
}
</style>
