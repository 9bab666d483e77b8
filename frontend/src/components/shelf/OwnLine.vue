<script setup lang="ts">
import type { Schemas } from '@/api/client'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import { dayWords } from '@/logic/words'

/** One thing the clinic made, as the list shows it: drawn where it can be, and how it stands. */
const { entry } = defineProps<{ entry: Schemas['OwnLine']; picture: string | undefined }>()
</script>

<template>
  <li>
    <RouterLink :to="{ name: 'own', params: { entryId: String(entry.id) } }">
      <span v-if="entry.kind === 'activity' || entry.kind === 'thing'" class="pic" aria-hidden="true">
        <ActivityPicture v-if="picture" :picture="picture" />
      </span>
      <span class="what">
        <strong>{{ entry.name || 'without a name' }}</strong>
        <span v-if="entry.about" class="small about">{{ entry.about }}</span>
        <span class="small soft"
          >{{ entry.number ? `Version ${entry.number}` : 'Draft' }}, {{ entry.made_by }}, {{ dayWords(entry.changed_at)
          }}{{ entry.copied_from ? ', from a copy' : '' }}</span
        >
      </span>
      <span v-if="entry.asks" class="tag caution"
        >{{ entry.asks === 1 ? '1 question' : `${entry.asks} questions` }} to answer</span
      >
      <span v-if="entry.has_draft && entry.number" class="tag caution">unshared changes</span>
      <span v-else-if="!entry.number" class="tag caution">not shared</span>
    </RouterLink>
  </li>
</template>

<style scoped>
a {
  display: flex;
  gap: var(--gap-3);
  align-items: center;
  height: 100%;
  min-height: var(--touch);
  padding: 8px var(--gap-3);
  border: 1px solid var(--line);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  text-decoration: none;
}
a:hover {
  border-color: var(--water);
}
strong {
  color: var(--water);
  text-decoration: underline;
}
.pic {
  flex: none;
  display: grid;
  place-items: center;
  width: 120px;
  height: 84px;
}
.pic :deep(svg.picture) {
  max-width: 120px;
  max-height: 84px;
}
.what {
  flex: 1;
  display: grid;
  min-width: 0;
}
.about::first-letter {
  text-transform: uppercase;
}
</style>
