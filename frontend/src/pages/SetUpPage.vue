<script setup lang="ts">
import { reactive, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import DoorFrame from '@/components/door/DoorFrame.vue'
import NewSignIn from '@/components/door/NewSignIn.vue'
import ClinicFields from '@/components/people/ClinicFields.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useGoIn, useSetup } from '@/composables/useSetup'
import { guessedHere } from '@/logic/here'

/** The first start: the clinic, and its first lead. */
const { data: setup } = useSetup()
const { busy, at, apart, doing } = useDoing()
const goIn = useGoIn()
const router = useRouter()
const here = guessedHere(navigator.languages, Intl.DateTimeFormat().resolvedOptions().timeZone)
const code = reactive({ code: '' })
const clinic = reactive<{ name: string; time_zone: string; paper: Schemas['Setup']['paper']; units: 'mm' | 'inch' }>({
  name: '',
  ...here,
})
const person = reactive({ name: '', username: '', password: '' })

watch(setup, (s) => {
  if (s && !s.open) void router.replace({ name: 'sign-in' })
})

async function save(): Promise<void> {
  const body = { ...clinic, ...code, clinic: clinic.name, ...person }
  const me = await doing(() => unwrap(api.POST('/api/setup', { body })))
  if (me) await goIn(me)
}
</script>

<template>
  <DoorFrame wide>
    <h1>Set up your clinic</h1>
    <p class="soft">Once, and in a minute. You will be its lead, and can invite the others.</p>
    <el-form label-position="top" novalidate @submit.prevent="save">
      <el-form-item label="Set-up code, printed by ./pollicor start" :error="at('code')"
        ><el-input v-model="code.code" autocomplete="off" autofocus
      /></el-form-item>
      <ClinicFields v-model="clinic" :at="at" />
      <NewSignIn v-model="person" :at="at" />
      <ProblemNote :error="apart" />
      <div class="row">
        <PlainButton type="submit" main :disabled="busy">Set up</PlainButton>
        <RouterLink v-if="setup?.demo" :to="{ name: 'sign-in' }">Look round the demo clinic first</RouterLink>
      </div>
    </el-form>
  </DoorFrame>
</template>
