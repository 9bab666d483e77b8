<script setup lang="ts">
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'

/** What the library has changed since this was copied from it: as it was, as it is, and what stands here. */
const { changes } = defineProps<{ changes: Schemas['ChangeOut'][] }>()
const emit = defineEmits<{ take: [field: string, value: unknown] }>()
const shown = (value: unknown): string =>
  typeof value === 'string' ? value : value == null ? 'nothing' : JSON.stringify(value, null, 1).slice(0, 900)
</script>

<template>
  <details v-if="changes.length" class="notice">
    <summary>
      The library has changed {{ changes.length }} {{ changes.length === 1 ? 'field' : 'fields' }} since you copied
      this. Yours is as you left it.
    </summary>
    <div v-for="c in changes" :key="c.field" class="change">
      <strong>{{ c.field.replaceAll('_', ' ') }}</strong>
      <div class="pair">
        <div>
          <p class="soft small">when you copied it</p>
          <pre>{{ shown(c.was) }}</pre>
        </div>
        <div>
          <p class="soft small">in the library now</p>
          <pre>{{ shown(c.now) }}</pre>
        </div>
        <div>
          <p class="soft small">yours</p>
          <pre>{{ shown(c.yours) }}</pre>
        </div>
      </div>
      <PlainButton @click="emit('take', c.field, c.now)">Take the library’s</PlainButton>
    </div>
  </details>
</template>

<style scoped>
pre {
  white-space: pre-wrap;
  font: inherit;
  font-size: var(--step-0);
  margin: 0;
}
.change {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
summary {
  min-height: 32px;
  cursor: pointer;
}
</style>
