<script setup lang="ts">
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'

/** Before the first session: allergies and precautions, asked about where nothing has been noted yet. */
const { child } = defineProps<{ child: Child }>()
const emit = defineEmits<{ note: [] }>()
const changed = useChildChanged()
const { data: me } = useMe()
const { busy, error, doing } = useDoing()
const unsaid = computed(
  () =>
    child.version === 1 &&
    !child.allergies.length &&
    !child.other_allergies.length &&
    !child.precautions.length &&
    me.value?.may.includes('child.edit'),
)

async function none(): Promise<void> {
  const params = { path: { child_id: child.id } }
  const now = await doing(() => unwrap(api.PUT('/api/children/{child_id}', { params, body: { ...child } })))
  if (now) changed(now)
}
</script>

<template>
  <section v-if="unsaid" class="notice row" aria-label="Allergies and precautions">
    <span><strong>Allergies? Precautions?</strong> Nothing has been noted for {{ child.first_name }} yet.</span>
    <PlainButton :disabled="busy" @click="none">None known</PlainButton>
    <PlainButton @click="emit('note')">Note them…</PlainButton>
    <ProblemNote :error="error" />
  </section>
</template>
