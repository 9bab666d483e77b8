<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'

/** A second factor: a code from an app at sign-in, switched on with a first one, off with the password. */
const queries = useQueryClient()
const { data } = useQuery({ queryKey: ['factor'], queryFn: () => unwrap(api.GET('/api/me/second-factor')) })
const { busy, at, apart, doing } = useDoing()
const begun = ref<Schemas['SecretOut'] | null>(null)
const codes = ref<string[]>([])
const code = ref('')
const password = ref('')
const again = (): Promise<void> => queries.invalidateQueries({ queryKey: ['factor'] })

async function begin(): Promise<void> {
  begun.value = (await doing(() => unwrap(api.POST('/api/me/second-factor')))) ?? null
}
async function confirm(): Promise<void> {
  const out = await doing(() => unwrap(api.POST('/api/me/second-factor/confirm', { body: { code: code.value } })))
  if (!out) return
  codes.value = out.codes
  begun.value = null
  code.value = ''
  await again()
}
async function off(): Promise<void> {
  const out = await doing(() => unwrap(api.POST('/api/me/second-factor/off', { body: { password: password.value } })))
  if (!out) return
  password.value = ''
  codes.value = []
  await again()
}
</script>

<template>
  <section class="sheet stack" aria-label="Second factor">
    <h2>Second factor</h2>
    <p class="soft">
      With a second factor, your password alone is not enough: signing in also asks for a code from an app on your
      phone. Any app for one-time codes (TOTP) will do.
    </p>
    <div v-if="codes.length" class="notice stack">
      <p>
        <strong>It is on.</strong> Write these codes down for a day without your phone. Each works once; they are shown
        only now.
      </p>
      <ul class="codes">
        <li v-for="c in codes" :key="c">{{ c }}</li>
      </ul>
    </div>
    <template v-if="begun">
      <div class="scan">
        <!-- The server's own drawing of a secret: no text of a person is in it. -->
        <!-- eslint-disable-next-line vue/no-v-html -->
        <div class="code" role="img" aria-label="The secret as a QR code" v-html="begun.qr" />
        <p>
          Point the app at this, or type the secret into it: <span class="secret">{{ begun.secret }}</span>
        </p>
      </div>
      <el-form label-position="top" novalidate @submit.prevent="confirm">
        <el-form-item label="The code it shows now" :error="at('code')"
          ><el-input v-model="code" inputmode="numeric" autocomplete="one-time-code" maxlength="10"
        /></el-form-item>
        <PlainButton type="submit" main :disabled="busy">Switch on</PlainButton>
      </el-form>
    </template>
    <el-form v-else-if="data?.on" label-position="top" novalidate @submit.prevent="off">
      <p>It is on; {{ data.codes_left }} codes on paper are left.</p>
      <el-form-item label="Your password" :error="at('password')"
        ><el-input v-model="password" type="password" autocomplete="current-password"
      /></el-form-item>
      <PlainButton type="submit" :disabled="busy">Switch off</PlainButton>
    </el-form>
    <div v-else-if="data">
      <PlainButton :disabled="busy" @click="begin">Switch on…</PlainButton>
    </div>
    <ProblemNote :error="apart" />
  </section>
</template>

<style scoped>
.scan {
  display: grid;
  grid-template-columns: 148px minmax(0, 1fr);
  gap: var(--gap-3);
}
.code {
  background: #fff;
  padding: 6px;
  border-radius: 6px;
}
.secret {
  overflow-wrap: anywhere;
  font-weight: 700;
}
.codes {
  columns: 2;
  margin: 0;
  padding-left: 18px;
  font-weight: 700;
}
</style>
