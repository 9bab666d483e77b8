<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import CalendarFeed from '@/components/people/CalendarFeed.vue'
import SecondFactor from '@/components/people/SecondFactor.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { deviceWords, momentWords, ROLES } from '@/logic/people'

/** One's own name, thumb side, password and devices. */
const queries = useQueryClient()
const { data: me } = useMe()
const { data: devices } = useQuery({ queryKey: ['devices'], queryFn: () => unwrap(api.GET('/api/me/devices')) })
const account = reactive<Schemas['MyAccount']>({ name: '', run_hand: 'right', theme: 'auto', units: 'mm' })
const secret = reactive<Schemas['NewPassword']>({ now: '', password: '' })
const own = useDoing()
const word = useDoing()
const { error: refused, doing: ending } = useDoing()
const kept = ref('')

watch(me, (m) => m && Object.assign(account, { name: m.name, run_hand: m.run_hand, theme: m.theme, units: m.units }), {
  immediate: true,
})

async function save(): Promise<void> {
  const now = await own.doing(() => unwrap(api.PUT('/api/me', { body: account })))
  if (!now) return
  await queries.invalidateQueries() // lengths may be said otherwise now
  queries.setQueryData(['me'], now)
  kept.value = 'account'
}

async function changePassword(): Promise<void> {
  const now = await word.doing(() => unwrap(api.POST('/api/me/password', { body: secret })))
  if (!now) return
  Object.assign(secret, { now: '', password: '' })
  kept.value = 'password'
  await queries.invalidateQueries({ queryKey: ['devices'] })
}

async function end(id: number): Promise<void> {
  const params = { path: { device_id: id } }
  await ending(() => unwrap(api.DELETE('/api/me/devices/{device_id}', { params })))
  await queries.invalidateQueries({ queryKey: ['devices'] })
}
</script>

<template>
  <div class="stack">
    <h1>My account</h1>
    <div class="parts">
      <section class="sheet stack" aria-label="About me">
        <h2>About me</h2>
        <el-form label-position="top" novalidate @submit.prevent="save">
          <el-form-item label="Name" :error="own.at('name')"
            ><el-input v-model="account.name" autocomplete="name" maxlength="120"
          /></el-form-item>
          <el-form-item label="Thumb that taps in a run" :error="own.at('run_hand')">
            <el-radio-group v-model="account.run_hand">
              <el-radio-button value="left">Left</el-radio-button><el-radio-button value="right">Right</el-radio-button>
            </el-radio-group>
          </el-form-item>
          <el-form-item label="Colours" :error="own.at('theme')">
            <el-radio-group v-model="account.theme">
              <el-radio-button value="auto">Same as device</el-radio-button
              ><el-radio-button value="light">Light</el-radio-button
              ><el-radio-button value="dark">Dark</el-radio-button>
            </el-radio-group>
          </el-form-item>
          <el-form-item label="Units" :error="own.at('units')">
            <el-radio-group v-model="account.units">
              <el-radio-button value="mm">mm</el-radio-button
              ><el-radio-button value="inch">Inches (mm in brackets)</el-radio-button>
            </el-radio-group>
          </el-form-item>
          <ProblemNote :error="own.apart.value" />
          <div class="row">
            <PlainButton type="submit" main :disabled="own.busy.value">Save</PlainButton>
            <span v-if="kept === 'account'" role="status" class="soft">Saved.</span>
          </div>
        </el-form>
        <p v-if="me" class="soft small">
          You sign in as {{ me.username }}, {{ ROLES[me.role].one }} of {{ me.clinic }}: {{ ROLES[me.role].may }}.
        </p>
      </section>
      <section class="sheet stack" aria-label="Password">
        <h2>Password</h2>
        <el-form label-position="top" novalidate @submit.prevent="changePassword">
          <input
            class="unseen"
            autocomplete="username"
            :value="me?.username"
            readonly
            tabindex="-1"
            aria-hidden="true"
          />
          <el-form-item label="Password now" :error="word.at('now')"
            ><el-input v-model="secret.now" type="password" show-password autocomplete="current-password"
          /></el-form-item>
          <el-form-item label="New password, 10 letters or more" :error="word.at('password')"
            ><el-input v-model="secret.password" type="password" show-password autocomplete="new-password"
          /></el-form-item>
          <ProblemNote :error="word.apart.value" />
          <div class="row">
            <PlainButton type="submit" :disabled="word.busy.value">Change password</PlainButton>
            <span v-if="kept === 'password'" role="status" class="soft">Changed. Other devices are signed out.</span>
          </div>
        </el-form>
      </section>
      <SecondFactor />
      <CalendarFeed v-if="me && me.role !== 'assistant'" />
      <section class="sheet stack" aria-label="Devices">
        <h2>Where I am signed in</h2>
        <ul class="plain">
          <li v-for="d in devices" :key="d.id" class="row">
            <span
              ><strong>{{ deviceWords(d.device) }}</strong
              ><span class="soft small"
                >, last used {{ momentWords(d.seen) }}; signed in {{ momentWords(d.at) }}</span
              ></span
            >
            <span v-if="d.here" class="tag">this one</span>
            <PlainButton v-else class="end" @click="end(d.id)">Sign out there</PlainButton>
          </li>
        </ul>
        <ProblemNote :error="refused" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: var(--gap-4);
  align-items: start;
}
.plain {
  list-style: none;
  margin: 0;
  padding: 0;
}
.plain li {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.plain li:first-child {
  border-top: 0;
}
.end {
  margin-left: auto;
}
.unseen {
  display: none;
}
</style>
