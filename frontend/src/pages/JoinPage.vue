<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import DoorFrame from '@/components/door/DoorFrame.vue'
import NewSignIn from '@/components/door/NewSignIn.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useGoIn } from '@/composables/useSetup'
import { ROLES } from '@/logic/people'

/** Where a link that works once leads: to a sign-in of one's own, or to a new password. */
const { token } = defineProps<{ token: string }>()
const params = { path: { token } }
const {
  data: link,
  error: closed,
  isPending,
} = useQuery({
  queryKey: ['link', token],
  queryFn: async () => {
    const found = await unwrap(api.GET('/api/join/{token}', { params }))
    if (!person.name) person.name = found.for_name
    return found
  },
  retry: false,
  staleTime: Infinity,
})
const { busy, at, apart, doing } = useDoing()
const goIn = useGoIn()
const person = reactive({ name: '', username: '', password: '' })
const joins = computed(() => link.value?.kind === 'invitation')

async function save(): Promise<void> {
  const me = await doing(() =>
    unwrap(
      joins.value
        ? api.POST('/api/join/{token}', { params, body: person })
        : api.POST('/api/join/{token}/password', { params, body: { password: person.password } }),
    ),
  )
  if (me) await goIn(me)
}
</script>

<template>
  <DoorFrame wide>
    <p v-if="isPending" class="soft">Reading the link…</p>
    <template v-else-if="closed">
      <h1>This link no longer works</h1>
      <ProblemNote :error="closed" />
      <RouterLink :to="{ name: 'sign-in' }">Sign in</RouterLink>
    </template>
    <template v-else-if="link">
      <h1>{{ joins ? `Welcome to ${link.clinic}` : 'Choose a new password' }}</h1>
      <p class="soft">
        {{
          joins
            ? `${link.from_name} invites you as ${ROLES[link.role ?? 'assistant'].one}.`
            : `For ${link.for_name}. You will be signed out on every other device.`
        }}
      </p>
      <el-form label-position="top" novalidate @submit.prevent="save">
        <NewSignIn v-if="joins" v-model="person" :at="at" />
        <el-form-item v-else label="New password, 10 letters or more" :error="at('password')"
          ><el-input v-model="person.password" type="password" show-password autocomplete="new-password" autofocus
        /></el-form-item>
        <ProblemNote :error="apart" />
        <p v-if="at('token')" class="notice barred" role="alert">{{ at('token') }}</p>
        <PlainButton type="submit" main :disabled="busy">{{ joins ? 'Come in' : 'Save and sign in' }}</PlainButton>
      </el-form>
    </template>
  </DoorFrame>
</template>
