<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import MeasureHelp from '@/components/cupboard/MeasureHelp.vue'

const { item, save, said } = defineProps<{
  item: Schemas['ItemOut']
  save: (measured: Record<string, number>) => Promise<boolean>
  said: string
}>()
const emit = defineEmits<{ close: [] }>()

const fields = computed(() =>
  [
    { id: 'size_mm', words: 'Middle side, mm', typical: item.thing.sides_mm[1] },
    { id: 'hole_mm', words: 'Hole, mm', typical: item.thing.hole_mm },
    { id: 'opening_mm', words: 'Opening, mm', typical: item.thing.opening_mm },
    { id: 'force_newton', words: 'Force to work it, N', typical: item.thing.force_newton },
    { id: 'sheet_gsm', words: 'Sheet weight, g/m²', typical: item.thing.sheet_gsm },
  ].filter((f) => f.typical != null),
)
const form = reactive<Record<string, number | undefined>>({ ...item.measured })

async function keep(): Promise<void> {
  const measured = Object.fromEntries(Object.entries(form).filter(([, v]) => v != null)) as Record<string, number>
  if (await save(measured)) emit('close')
}
</script>

<template>
  <el-dialog model-value :title="`${item.thing.name}, as measured here`" width="560" @close="$emit('close')">
    <p class="soft small">Leave a field empty to keep the usual figure.</p>
    <el-form label-position="top" novalidate @submit.prevent="keep">
      <el-form-item v-for="f in fields" :key="f.id" :label="`${f.words} (usually ${f.typical?.toFixed(0)})`">
        <el-input-number v-model="form[f.id]" :precision="1" :controls="false" />
      </el-form-item>
      <MeasureHelp
        :fields="fields.map((f) => f.id)"
        @found="(field, value) => (form[field] = Number(value.toFixed(1)))"
      />
      <p v-if="said" class="notice barred" role="alert">{{ said }}</p>
      <PlainButton type="submit" main>Keep</PlainButton>
    </el-form>
  </el-dialog>
</template>
