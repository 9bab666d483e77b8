<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { usePalette } from '@/composables/usePalette'
import { stepped, type Command } from '@/logic/palette'

/** Go anywhere and do anything by a few letters: arrows choose, Enter goes. */
const { actions } = defineProps<{ actions: Command[] }>()
const emit = defineEmits<{ close: [] }>()
const { typed, offered } = usePalette(() => actions)
const at = ref(0)
const field = ref<HTMLInputElement | null>(null)
const chosen = computed(() => offered.value[at.value])
watch(typed, () => (at.value = 0))

// Letters typed before the dialog has come to rest are for it, too.
watch(field, (now) => now?.focus(), { flush: 'post' })

function go(command: Command | undefined): void {
  if (!command) return
  emit('close')
  command.run()
}
</script>

<template>
  <el-dialog
    model-value
    class="palette"
    width="min(560px, 94%)"
    top="10vh"
    :show-close="false"
    aria-label="Go to"
    @opened="field?.focus()"
    @close="emit('close')"
  >
    <input
      ref="field"
      v-model="typed"
      class="plain-input"
      role="combobox"
      aria-expanded="true"
      aria-controls="palette-list"
      :aria-activedescendant="chosen ? `palette-${chosen.id}` : undefined"
      aria-label="Go to a child, a page or an action"
      placeholder="A child, a page or an action"
      autocomplete="off"
      autofocus
      @keydown.down.prevent="at = stepped(at, 1, offered.length)"
      @keydown.up.prevent="at = stepped(at, -1, offered.length)"
      @keydown.enter.prevent="go(chosen)"
    />
    <ul id="palette-list" role="listbox" aria-label="Results">
      <li
        v-for="(c, i) in offered"
        :id="`palette-${c.id}`"
        :key="c.id"
        role="option"
        :aria-selected="i === at"
        @click="go(c)"
        @mousemove="at = i"
      >
        <strong>{{ c.words }}</strong> <span class="soft small">{{ c.hint }}</span>
      </li>
    </ul>
    <p v-if="!offered.length" class="soft">Nothing found.</p>
  </el-dialog>
</template>

<style scoped>
.plain-input {
  min-height: 48px;
  font-size: var(--step-2);
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: var(--touch);
  padding: 0 12px;
  border-radius: 8px;
  color: var(--ink);
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--water-soft);
}
</style>
