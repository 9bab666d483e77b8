<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** A clinic's name, time zone and paper, at the set-up and ever after. */
const clinic = defineModel<{
  name: string
  time_zone: string
  paper: Schemas['ClinicOut']['paper']
  units: Schemas['ClinicOut']['units']
}>({
  required: true,
})
defineProps<{ at: (field: string) => string }>()

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone').filter((z) => z !== 'UTC')]
</script>

<template>
  <el-form-item label="Clinic" :error="at('clinic')"
    ><el-input v-model="clinic.name" autocomplete="organization" maxlength="120"
  /></el-form-item>
  <div class="pair">
    <el-form-item label="Time zone" :error="at('time_zone')">
      <el-select v-model="clinic.time_zone" filterable aria-label="Time zone">
        <el-option v-for="z in zones" :key="z" :value="z" :label="z.replace(/_/g, ' ')" />
      </el-select>
    </el-form-item>
    <el-form-item label="Paper" :error="at('paper')">
      <el-radio-group v-model="clinic.paper">
        <el-radio-button value="A4">A4</el-radio-button><el-radio-button value="Letter">Letter</el-radio-button>
      </el-radio-group>
    </el-form-item>
    <el-form-item label="Units" :error="at('units')">
      <el-radio-group v-model="clinic.units">
        <el-radio-button value="mm">mm</el-radio-button><el-radio-button value="inch">Inches</el-radio-button>
      </el-radio-group>
    </el-form-item>
  </div>
</template>
