<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, unwrap, type Schemas } from '@/api/client'
import BandField from '@/components/shared/BandField.vue'
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

const bandOf = (part: string): [number, number] | null => form.value.zones?.[part as PartId] ?? null

function setBand(part: string, band: [number, number] | null): void {
  const zones = { ...form.value.zones } as Record<string, [number, number]>
  if (band) zones[part] = band
  else delete zones[part]
  form.value.zones = zones
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
    <p class="small">What each part of a session aims for: <strong>expected alone, of ten tries</strong></p>
    <div v-for="p in own?.parts" :key="p.id" class="row band">
      <span>{{ p.name }}</span>
      <BandField
        :model-value="bandOf(p.id)"
        :name="p.name"
        :usual="[p.low, p.high]"
        @update:model-value="setBand(p.id, $event)"
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
.wrong {
  color: var(--barred);
}
</style>
