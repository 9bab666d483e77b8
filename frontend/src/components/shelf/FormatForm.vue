<script setup lang="ts">
import type { Schemas } from '@/api/client'
import BandField from '@/components/shared/BandField.vue'

/** A clinic's own session format: which parts it has, from how many minutes each is wanted, how long, how hard. */
interface PartValues {
  name?: string
  wanted_from?: number | null
  fewest: number
  most: number
  low?: number | null
  high?: number | null
}
export interface FormatValues {
  name: string
  hint?: string
  parts: Record<string, PartValues>
  fewest_main?: number
  most_main?: number
  any_strand?: boolean
  ending?: string
}
const values = defineModel<FormatValues>({ required: true })
const { at, words } = defineProps<{ at: (path: string) => string; words: Schemas['OwnWords'] }>()

function have(part: string, on: boolean): void {
  const rest = { ...values.value.parts }
  if (on) rest[part] = { wanted_from: part === 'main' ? null : 15, fewest: 3, most: 6 }
  else delete rest[part]
  values.value.parts = rest
}
const bandOf = (part: PartValues): [number, number] | null =>
  part.low != null && part.high != null ? [part.low, part.high] : null

function setBand(part: PartValues, band: [number, number] | null): void {
  part.low = band?.[0] ?? null
  part.high = band?.[1] ?? null
}
</script>

<template>
  <div class="stack">
    <div class="pair">
      <el-form-item label="Name" :error="at('name')"
        ><el-input v-model="values.name" maxlength="40" placeholder="Wake and work"
      /></el-form-item>
      <el-form-item label="What it is for" :error="at('hint')"
        ><el-input v-model="values.hint" maxlength="120"
      /></el-form-item>
    </div>
    <h3>Its parts, in their order</h3>
    <p v-if="at('parts') && !Object.keys(values.parts).length" class="wrong">{{ at('parts') }}</p>
    <div v-for="p in words.parts" :key="p.id" class="part">
      <el-checkbox :model-value="p.id in values.parts" @update:model-value="have(p.id, Boolean($event))">{{
        p.name
      }}</el-checkbox>
      <template v-if="values.parts[p.id]">
        <el-input
          v-model="values.parts[p.id]!.name"
          :placeholder="p.name"
          :aria-label="`What ${p.name} is called`"
          class="called"
        />
        <label class="row small"
          >blocks of
          <el-input-number
            v-model="values.parts[p.id]!.fewest"
            :min="1"
            :max="60"
            size="small"
            :controls="false"
            :aria-label="`${p.name}: fewest minutes of a block`"
          />
          to
          <el-input-number
            v-model="values.parts[p.id]!.most"
            :min="1"
            :max="60"
            size="small"
            :controls="false"
            :aria-label="`${p.name}: most minutes of a block`"
          />
          min</label
        >
        <label v-if="p.id !== 'main'" class="row small"
          >wanted in sessions from
          <el-input-number
            :model-value="values.parts[p.id]!.wanted_from ?? undefined"
            :max="90"
            size="small"
            :controls="false"
            placeholder="never"
            :aria-label="`${p.name}: wanted from how many minutes`"
            @update:model-value="values.parts[p.id]!.wanted_from = $event ?? null"
          />
          min</label
        >
        <span class="row small"
          >aims for
          <BandField
            :model-value="bandOf(values.parts[p.id]!)"
            :name="p.name"
            :usual="[p.low, p.high]"
            @update:model-value="setBand(values.parts[p.id]!, $event)"
        /></span>
        <p v-if="at(`parts.${p.id}`)" class="wrong" role="alert">{{ at(`parts.${p.id}`) }}</p>
      </template>
    </div>
    <div class="row">
      <label class="row"
        >Blocks of main work, fewest
        <el-input-number v-model="values.fewest_main" :max="6" size="small" aria-label="Fewest main blocks"
      /></label>
      <label class="row"
        >most <el-input-number v-model="values.most_main" :max="6" size="small" aria-label="Most main blocks"
      /></label>
      <span v-if="at('most_main')" class="wrong">{{ at('most_main') }}</span>
    </div>
    <el-checkbox :model-value="Boolean(values.any_strand)" @update:model-value="values.any_strand = Boolean($event)"
      >Main work may train skills beside the chosen ones</el-checkbox
    >
    <el-form-item label="How it ends, in a sentence" :error="at('ending')"
      ><el-input v-model="values.ending" maxlength="200"
    /></el-form-item>
  </div>
</template>

<style scoped>
.part {
  display: flex;
  flex-wrap: wrap;
  gap: 4px var(--gap-3);
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.part > :deep(.el-checkbox) {
  min-width: 130px;
}
.called {
  width: 140px;
}
.part :deep(.el-input-number) {
  width: 62px;
}
.wrong {
  color: var(--barred);
}
</style>
