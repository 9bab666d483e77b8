<script setup lang="ts">
import { onMounted, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Refused, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import DoorFrame from '@/components/door/DoorFrame.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useGoIn, useSetup } from '@/composables/useSetup'
import { forgetRuns } from '@/logic/tapStore'

const form = reactive({ username: '', password: '', code: '' })
const asksCode = ref(false)
const { busy, error, doing } = useDoing()
watch(error, (now) => (asksCode.value ||= now instanceof Refused && Boolean(now.at('code'))))
const { data: setup } = useSetup()
const router = useRouter()
const route = useRoute()
const goIn = useGoIn()
onMounted(forgetRuns) // signed out by being away for too long, or from another device: the names go all the same

watch(setup, (s) => {
  if (s?.open && !s.demo) void router.replace({ name: 'set-up' })
})

async function signIn(): Promise<void> {
  const me = await doing(() => unwrap(api.POST('/api/session', { body: form })))
  const next = typeof route.query.next === 'string' && /^\/(?!\/)/.test(route.query.next) ? route.query.next : '/'
  if (me) await goIn(me, next)
}
</script>

<template>
  <DoorFrame>
    <form class="stack" @submit.prevent="signIn">
      <h1>Pollicor</h1>
      <p class="soft">Graded hand sessions from what the home has.</p>
      <p v-if="route.query.waiting" role="status">
        {{ route.query.waiting }} taps are not sent yet. They stay on this device, without a name, and are sent when you
        open their session again.
      </p>
      <label>Name <input v-model="form.username" autocomplete="username" required autofocus /></label>
      <label>Password <input v-model="form.password" type="password" autocomplete="current-password" required /></label>
      <label v-if="asksCode"
        >Code from your app <input v-model="form.code" inputmode="numeric" autocomplete="one-time-code" maxlength="20"
      /></label>
      <ProblemNote :error="error" />
      <PlainButton type="submit" main :disabled="busy">Sign in</PlainButton>
      <p v-if="setup?.open">
        This is the demo clinic. <RouterLink :to="{ name: 'set-up' }">Set up your own</RouterLink>
      </p>
      <p class="small soft">Forgotten the password? The clinic’s lead gives you a link to choose a new one.</p>
      <p class="small soft">
        Pollicor supports a licensed therapist's judgement and does not replace it. Local rules come first.
      </p>
    </form>
  </DoorFrame>
</template>

<style scoped>
label {
  display: grid;
  gap: 4px;
}
input {
  min-height: var(--touch);
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  padding: 0 12px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
}
</style>
