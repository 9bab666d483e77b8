<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import PlaceFields from '@/components/shared/PlaceFields.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { emptyPlace } from '@/logic/newChild'

/** A place that is no child's home yet: most often a clinic room or a school. Its cupboard is empty at first. */
const emit = defineEmits<{ added: [place: Schemas['HomeOut']] }>()
const queries = useQueryClient()
const place = ref(emptyPlace('clinic'))
const { busy, at, apart, doing } = useDoing()

async function add(): Promise<void> {
  const made = await doing(() => unwrap(api.POST('/api/homes', { body: place.value })))
  if (!made) return
  await queries.invalidateQueries({ queryKey: ['homes'] })
  emit('added', made)
}
</script>

<template>
  <el-form label-position="top" novalidate @submit.prevent="add">
    <h3>Another place</h3>
    <PlaceFields v-model="place" :at="at" />
    <ProblemNote :error="apart" />
    <PlainButton type="submit" :disabled="busy">Add this place</PlainButton>
  </el-form>
</template>

<style scoped>
h3 {
  margin-bottom: var(--gap-2);
}
</style>
