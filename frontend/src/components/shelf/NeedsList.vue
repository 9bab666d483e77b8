<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { needWords, type Need } from '@/logic/ownValues'
import PlainButton from '@/components/shared/PlainButton.vue'

/** What is asked of a thing: sizes and forces within bounds, or whether it is so. */
const needs = defineModel<Need[]>({ required: true })
const { words, form, label } = defineProps<{ words: Schemas['OwnWords']; form: string; label: string }>()
const asked = computed(() => {
  const first = ['size_mm', 'longest_mm', ...(words.forms.find((f) => f.id === form)?.asks ?? [])]
  const rank = (id: string): number => (first.includes(id) ? first.indexOf(id) : 99)
  return [...words.properties].sort((a, b) => rank(a.id) - rank(b.id))
})
const of = (id: string): Schemas['PropertyOut'] | undefined => words.properties.find((p) => p.id === id)

function add(id: string): void {
  const kind = of(id)?.kind
  const need: Need = { property: id, words: '' }
  if (kind === 'number') need.at_most = 30
  else need.is = kind === 'yes' ? false : (of(id)?.options[0] ?? '')
  needs.value = [...needs.value, said(need)]
}

/** The same need, its words following its numbers. */
function said(need: Need): Need {
  const p = of(need.property)
  if (p?.kind === 'number') return { ...need, words: needWords(need, p.unit) }
  const plain = p?.name.replace(/^(Is|Has|Does|Can) it |\?$/g, '') ?? need.property
  return { ...need, words: need.is === false ? `not ${plain}` : need.is === true ? plain : String(need.is) }
}

function change(at: number, by: Partial<Need>): void {
  needs.value = needs.value.map((n, i) => (i === at ? said({ ...n, ...by }) : n))
}
</script>

<template>
  <ul class="needs" :aria-label="label">
    <li v-for="(need, i) in needs" :key="i" class="row">
      <span class="name">{{ of(need.property)?.name ?? need.property }}</span>
      <template v-if="of(need.property)?.kind === 'number'">
        <label class="row small"
          >at least
          <el-input-number
            :model-value="need.at_least ?? undefined"
            :controls="false"
            size="small"
            :aria-label="`${of(need.property)?.name} at least`"
            @update:model-value="change(i, { at_least: $event })"
        /></label>
        <label class="row small"
          >at most
          <el-input-number
            :model-value="need.at_most ?? undefined"
            :controls="false"
            size="small"
            :aria-label="`${of(need.property)?.name} at most`"
            @update:model-value="change(i, { at_most: $event })"
        /></label>
        <span class="soft small">{{ of(need.property)?.unit }}</span>
      </template>
      <el-select
        v-else-if="of(need.property)?.kind === 'yes'"
        :model-value="String(need.is)"
        size="small"
        class="yes"
        :aria-label="of(need.property)?.name"
        @update:model-value="change(i, { is: $event === 'true' })"
        ><el-option value="true" label="yes" /><el-option value="false" label="no"
      /></el-select>
      <el-select
        v-else
        :model-value="String(need.is ?? '')"
        size="small"
        class="yes"
        :aria-label="of(need.property)?.name"
        @update:model-value="change(i, { is: $event })"
        ><el-option v-for="o in of(need.property)?.options" :key="o" :value="o" :label="o"
      /></el-select>
      <PlainButton :aria-label="`Remove: ${of(need.property)?.name}`" @click="needs = needs.filter((_, n) => n !== i)">
        ✕
      </PlainButton>
    </li>
    <li>
      <el-select
        :model-value="''"
        size="small"
        class="add"
        filterable
        placeholder="Needs… size, hole, soft"
        :aria-label="`${label}: add`"
        @update:model-value="add"
        ><el-option v-for="p in asked" :key="p.id" :value="p.id" :label="p.name"
      /></el-select>
    </li>
  </ul>
</template>

<style scoped>
.needs {
  list-style: none;
  margin: 0;
  padding: 0;
}
.needs li {
  margin-bottom: 4px;
}
.name {
  flex: 1 1 180px;
}
.add {
  width: min(280px, 100%);
}
.yes {
  width: 110px;
}
.needs :deep(.el-input-number) {
  width: 84px;
}
</style>
