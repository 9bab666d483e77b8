<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import ProblemNote from '@/components/shared/ProblemNote.vue'

const form = reactive({ username: '', password: '' })
const error = ref<Error | null>(null)
const busy = ref(false)
const router = useRouter()
const route = useRoute()
const queries = useQueryClient()

async function signIn(): Promise<void> {
  busy.value = true
  error.value = null
  try {
    queries.setQueryData(['me'], await unwrap(api.POST('/api/session', { body: { ...form } })))
    const next = typeof route.query.next === 'string' && route.query.next.startsWith('/') ? route.query.next : '/'
    await router.replace(next)
  } catch (problem) {
    error.value = problem as Error
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="shore">
    <form class="sheet stack" @submit.prevent="signIn">
      <h1>Pollicor</h1>
      <p class="soft">Graded hand sessions from what the home has.</p>
      <label>Name <input v-model="form.username" autocomplete="username" required autofocus /></label>
      <label>Password <input v-model="form.password" type="password" autocomplete="current-password" required /></label>
      <ProblemNote :error="error" />
      <button class="plain-button main" :disabled="busy">Sign in</button>
      <p class="small soft">
        Pollicor supports a licensed therapist's judgement and does not replace it. Local rules come first.
      </p>
    </form>
  </div>
</template>

<style scoped>
.shore {
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: var(--gap-4);
  background: linear-gradient(var(--paper) 58%, var(--water-soft) 58%);
}
form {
  width: min(400px, 100%);
  padding: var(--gap-5);
}
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
