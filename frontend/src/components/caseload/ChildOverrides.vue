<script setup lang="ts">
import { ref } from 'vue'
import { api, unwrap } from '@/api/client'
import OverrideForm from '@/components/cupboard/OverrideForm.vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { dayWords } from '@/logic/words'

/** The hazard rules overridden for this child: why, by whom, and when to review it. */
const { child } = defineProps<{ child: Child }>()
const changed = useChildChanged()
const { data: me } = useMe()
const { busy, error, doing } = useDoing()
const renewing = ref('')

async function withdraw(rule: string): Promise<void> {
  const path = { child_id: child.id, rule }
  const now = await doing(() => unwrap(api.DELETE('/api/children/{child_id}/overrides/{rule}', { params: { path } })))
  if (now) changed(now)
}
</script>

<template>
  <section class="sheet stack" aria-label="Overrides">
    <h3>Overridden hazard rules</h3>
    <div v-for="o in child.overrides" :key="o.rule" class="stack one">
      <p>
        <strong>{{ o.about[0]?.toUpperCase() }}{{ o.about.slice(1) }}.</strong> {{ o.reason }}
      </p>
      <p class="small soft">
        {{ o.by || 'A therapist' }}, {{ dayWords(o.on) }}; an adult
        {{ o.supervision === 'room' ? 'in the room' : 'within arm’s reach' }}.
      </p>
      <p>
        <span class="tag" :class="{ review: o.due }">
          {{ o.holds ? `Review by ${dayWords(o.review_on)}` : `Ended ${dayWords(o.review_on)}: barred again` }}
        </span>
      </p>
      <template v-if="me?.may.includes('child.override_hazard')">
        <OverrideForm v-if="renewing === o.rule" :child-id="child.id" :rule="o.rule" :given="o" @done="renewing = ''" />
        <div v-else class="row">
          <PlainButton @click="renewing = o.rule">Renew…</PlainButton>
          <PlainButton :disabled="busy" @click="withdraw(o.rule)">Withdraw</PlainButton>
        </div>
      </template>
    </div>
    <ProblemNote :error="error" />
  </section>
</template>

<style scoped>
.one + .one {
  border-top: 1px solid var(--line);
  padding-top: var(--gap-2);
}
</style>
