<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'

/** The four steps to a first session, beside the work; closed with one tap. */
const { list } = defineProps<{ list: Schemas['CaseloadOut'] }>()
const emit = defineEmits<{ close: [] }>()
const child = computed(() => list.children[0])
const seen = computed(() => list.children.some((c) => c.last_on))
</script>

<template>
  <section v-if="!seen" class="sheet steps" aria-label="First steps">
    <div class="row">
      <h2>Your first session</h2>
      <PlainButton class="close" @click="emit('close')">I know the way</PlainButton>
    </div>
    <ol>
      <li :class="{ done: child }"><strong>A child.</strong> Six fields; the rest is asked for when it matters.</li>
      <li>
        <strong>The cupboard.</strong> Drawer by drawer, or the usual kitchen in one tap.
        <RouterLink v-if="child" :to="{ name: 'stock', params: { childId: child.id } }">Fill it</RouterLink>
      </li>
      <li>
        <strong>A first look,</strong> twelve minutes of play that show where
        {{ child?.first_name ?? 'the child' }} stands.
        <RouterLink v-if="child" :to="{ name: 'child', params: { childId: child.id } }">Begin</RouterLink>
      </li>
      <li>
        <strong>A session,</strong> planned from that cupboard; run it with one thumb, or print it.
        <RouterLink v-if="child" :to="{ name: 'ask', params: { childId: child.id } }">Plan it</RouterLink>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.steps {
  border-left: 6px solid var(--brass);
}
.close {
  margin-left: auto;
}
ol {
  margin: 8px 0 0;
  padding-left: 22px;
  display: grid;
  gap: 6px;
}
.done {
  color: var(--ink-soft);
}
</style>
