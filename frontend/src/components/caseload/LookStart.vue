<script setup lang="ts">
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import type { Child } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { usePlaces } from '@/composables/usePlaces'

/** A child nobody has seen yet is placed by play: twelve minutes, each set chosen by what it would tell. */
const { child, again = false } = defineProps<{ child: Child; again?: boolean }>()
const router = useRouter()
const places = usePlaces(() => child)
const { busy, error, doing } = useDoing()

async function begin(homeId: number): Promise<void> {
  const body = { id: crypto.randomUUID(), home_id: homeId, supervision: 'arms_reach' as const }
  const run = await doing(() =>
    unwrap(api.POST('/api/children/{child_id}/looks', { params: { path: { child_id: child.id } }, body })),
  )
  if (run) await router.push({ name: 'run', params: { runId: run.id } })
}
</script>

<template>
  <section :class="{ notice: !again }" class="look" :aria-label="again ? 'Another look' : 'First look'">
    <p v-if="again">
      Another look takes about 12 minutes of play and is aimed at these skills, the most important uncertainty first.
    </p>
    <p v-else>
      <strong>No session with {{ child.first_name }} yet.</strong> A first look takes about 12 minutes of play. Each set
      is chosen for what it tells about the skills
      {{ child.wanted.length ? 'the wanted tasks need' : 'a session would build on' }}.
    </p>
    <div class="row">
      <PlainButton
        v-for="(p, i) in places"
        :key="p.id"
        :class="{ main: i === 0 && !again }"
        :disabled="busy"
        @click="begin(p.id)"
      >
        {{ again ? 'Look again' : 'First look' }} at {{ p.name }}
      </PlainButton>
    </div>
    <ProblemNote :error="error" />
  </section>
</template>

<style scoped>
.look {
  display: grid;
  gap: var(--gap-2);
}
</style>
