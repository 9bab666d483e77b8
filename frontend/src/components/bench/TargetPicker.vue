<script setup lang="ts">
import { useWords } from '@/composables/useWords'
import TargetSign from '@/components/shared/TargetSign.vue'

/** The targets to work on, by their signs; plain: signs alone, for narrow places. */
const { plain = false } = defineProps<{ plain?: boolean }>()
const chosen = defineModel<string[]>({ required: true })
const words = useWords()
const toggle = (id: string): void =>
  void (chosen.value = chosen.value.includes(id) ? chosen.value.filter((t) => t !== id) : [...chosen.value, id])
</script>

<template>
  <div class="row">
    <button
      v-for="t in words?.targets.filter((x) => x.id !== 'daily')"
      :key="t.id"
      type="button"
      class="pick"
      :aria-pressed="chosen.includes(t.id)"
      :aria-label="plain ? t.name : undefined"
      :title="plain ? t.name : undefined"
      @click="toggle(t.id)"
    >
      <TargetSign :target="t.id" :size="24" /><template v-if="!plain"> {{ t.name }}</template>
    </button>
  </div>
</template>
