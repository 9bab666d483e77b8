<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import PlainButton from '@/components/shared/PlainButton.vue'

defineProps<{ best: number; sum: number }>()
const emit = defineEmits<{ held: [seconds: number] }>()
const since = ref(0)
const now = ref(0)
useIntervalFn(() => (now.value = Date.now()), 100)
const seconds = computed(() => (since.value ? Math.max(0, now.value - since.value) / 1000 : 0))

function toggle(): void {
  if (!since.value) {
    since.value = now.value = Date.now()
    return
  }
  const held = Math.max(0.1, (Date.now() - since.value) / 1000)
  since.value = 0
  emit('held', Math.min(600, Math.round(held * 10) / 10))
}
</script>

<template>
  <PlainButton class="hold" :class="{ on: since }" @click="toggle">
    {{ since ? `Holding ${seconds.toFixed(1)} s: tap to stop` : 'Time a hold'
    }}<span v-if="best && !since" class="small"> best {{ best.toFixed(1) }} s, {{ sum.toFixed(0) }} s in all</span>
  </PlainButton>
</template>

<style scoped>
.hold {
  min-height: 56px;
  min-width: 140px;
}
.on {
  background: var(--caution-soft);
}
</style>
