<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import type { Schemas } from '@/api/client'
import { momentWords } from '@/logic/people'
import PlainButton from '@/components/shared/PlainButton.vue'

/** A link just made, to be copied or held up to a phone. It is shown this once. */
const { link } = defineProps<{ link: Schemas['FreshLink'] }>()
defineEmits<{ close: [] }>()
const MAILED = {
  sent: 'It was also mailed to {to}.',
  written: 'No mail server is set up, so the mail to {to} was saved in the folder var/mail on the server.',
  failed: 'The mail to {to} could not be sent. Copy the link instead.',
} as const
const { copy, copied } = useClipboard({ legacy: true })
</script>

<template>
  <section class="notice fresh" aria-label="New link" aria-live="polite">
    <!-- The server's own drawing of the address: no text of a person is in it. -->
    <!-- eslint-disable-next-line vue/no-v-html -->
    <div class="code" role="img" aria-label="The same link as a QR code" v-html="link.qr" />
    <div class="stack">
      <p>
        <strong>{{ link.kind === 'reset' ? 'A new password' : 'An invitation' }} for {{ link.for_name }}.</strong>
        Works once, until {{ momentWords(link.expires_at) }}. It is shown only this once: send it, or let them point a
        camera at it.
      </p>
      <p v-if="link.mailed" class="small">{{ MAILED[link.mailed].replace('{to}', link.email) }}</p>
      <input class="plain-input" readonly :value="link.address" aria-label="Link" />
      <div class="row">
        <PlainButton main @click="copy(link.address)">
          {{ copied ? 'Copied' : 'Copy' }}
        </PlainButton>
        <PlainButton @click="$emit('close')">Done</PlainButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.fresh {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: var(--gap-3);
}
.code {
  background: #fff;
  padding: 4px;
  border-radius: 6px;
  align-self: start;
}
</style>
