<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, unwrap, type Schemas } from '@/api/client'
import { useWords } from '@/composables/useWords'
import { POLICIES } from '@/logic/policies'

/** How this clinic works where the schools differ, and the band each part of a session aims for. */
const form = defineModel<Schemas['ClinicEdit']>({ required: true })
const { at } = defineProps<{ at: (field: string) => string }>()
const words = useWords()
const { data: own } = useQuery({
  queryKey: ['own-words'],
  queryFn: () => unwrap(api.GET('/api/own-words')),
  staleTime: Infinity,
})
type PartId = keyof NonNullable<Schemas['ClinicEdit']['zones']>

function approach(id: string, choice: string): void {
  const rest = { ...form.value.approaches }
  if (choice) rest[id] = choice
  else delete rest[id]
  form.value.approaches = rest
}

/** One end of a band, of ten; a band with nothing at either end is the usual one again. */
function band(part: string, end: 0 | 1, of10: number | null | undefined): void {
  const zones = { ...form.value.zones } as Record<string, [number, number]>
  const now = zones[part] ?? [0.7, 0.85]
  if (of10 == null) delete zones[part]
  else zones[part] = end ? [now[0], of10 / 10] : [of10 / 10, now[1]]
  form.value.zones = zones as Schemas['ClinicEdit']['zones']
}
const of10 = (part: string, end: 0 | 1): number | undefined => {
  const zone = form.value.zones?.[part as PartId]
  return zone ? Math.round(zone[end] * 1000) / 100 : undefined
}
</script>

<template>
  <details>
    <summary>How your clinic works</summary>
    <p class="soft small">Every new child begins with these; a child’s own profile comes first.</p>
    <el-form-item v-for="p in POLICIES" :key="p.id" :label="p.words">
      <el-select
        :model-value="form.approaches?.[p.id] ?? ''"
        clearable
        placeholder="as usual"
        :aria-label="p.words"
        @update:model-value="approach(p.id, $event)"
        ><el-option v-for="c in words?.policies[p.id]" :key="c.id" :value="c.id" :label="c.name"
      /></el-select>
    </el-form-item>
    <p v-if="at('approaches')" class="wrong">{{ at('approaches') }}</p>
    <p class="small"><strong>Expected alone, of ten</strong>, that each part of a session aims for</p>
    <div v-for="p in own?.parts" :key="p.id" class="row band">
      <span>{{ p.name }}</span>
      <el-input-number
        :model-value="of10(p.id, 0)"
        :min="3"
        :max="9.9"
        :step="0.5"
        :controls="false"
        size="small"
        placeholder="usual"
        :aria-label="`${p.name}: at least, of ten`"
        @update:model-value="band(p.id, 0, $event)"
      />
      to
      <el-input-number
        :model-value="of10(p.id, 1)"
        :min="3"
        :max="9.9"
        :step="0.5"
        :controls="false"
        size="small"
        placeholder="usual"
        :aria-label="`${p.name}: at most, of ten`"
        @update:model-value="band(p.id, 1, $event)"
      />
    </div>
    <p v-if="at('zones')" class="wrong">{{ at('zones') }}</p>
  </details>
</template>

<style scoped>
summary {
  min-height: var(--touch);
  padding-top: 10px;
  cursor: pointer;
}
.band > span {
  width: 110px;
}
.band :deep(.el-input-number) {
  width: 76px;
}
.wrong {
  color: var(--barred);
}
</style>
