<script setup lang="ts">
import { SHORTCUTS } from '@/logic/shortcuts'
import PlainButton from '@/components/shared/PlainButton.vue'

/** Every key that does something, and the first steps once more. */
const emit = defineEmits<{ close: []; steps: [] }>()
</script>

<template>
  <el-dialog model-value title="Keyboard shortcuts" width="min(520px, 96%)" @close="emit('close')">
    <template v-for="group in SHORTCUTS" :key="group.where">
      <h3>{{ group.where }}</h3>
      <dl>
        <template v-for="k in group.keys" :key="k.key">
          <dt>
            <kbd>{{ k.key }}</kbd>
          </dt>
          <dd>{{ k.does }}</dd>
        </template>
      </dl>
    </template>
    <PlainButton @click="emit('steps')">Show the first steps again</PlainButton>
  </el-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 6px 12px;
  margin: 6px 0 var(--gap-3);
}
dd {
  margin: 0;
}
kbd {
  display: inline-block;
  min-width: 28px;
  padding: 2px 8px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  text-align: center;
  font: inherit;
}
</style>
