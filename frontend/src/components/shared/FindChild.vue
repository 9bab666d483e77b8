<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import { isShortcut } from '@/logic/shortcuts'
import { ageWords } from '@/logic/words'

/** Any child by first letters, from anywhere: “/” goes here, Enter opens the child. */
const router = useRouter()
const box = ref<{ focus: () => void } | null>(null)
const chosen = ref<number | null>(null)
const found = ref<Schemas['FoundChild'][]>([])

async function find(letters: string): Promise<void> {
  found.value = await unwrap(api.GET('/api/children', { params: { query: { letters } } })).catch(() => [])
}

function open(id: number): void {
  chosen.value = null
  void router.push({ name: 'child', params: { childId: id } })
}

useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key !== '/' || !isShortcut(event, event.target as HTMLElement)) return
  event.preventDefault()
  box.value?.focus()
})
</script>

<template>
  <el-select
    ref="box"
    :model-value="chosen"
    class="find"
    filterable
    remote
    default-first-option
    :remote-method="find"
    placeholder="Find a child (/)"
    aria-label="Find a child"
    no-data-text="No child of that name"
    @focus="find('')"
    @change="open"
  >
    <el-option v-for="c in found" :key="c.id" :value="c.id" :label="c.first_name">
      <strong>{{ c.first_name }}</strong>
      <span class="soft">{{ ageWords(c.age_months) }}, {{ c.care === 'open' ? c.home_name : c.care }}</span>
    </el-option>
  </el-select>
</template>

<style scoped>
.find {
  width: 190px;
}
</style>
