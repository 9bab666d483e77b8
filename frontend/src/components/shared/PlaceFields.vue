<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** What a place is called, what kind it is, and how close an adult is there. */
const place = defineModel<Required<Schemas['NewHome']>>({ required: true })
defineProps<{ at: (field: string) => string; usual?: string; whole?: boolean }>()
</script>

<template>
  <el-form-item label="What the place is called" :error="at('name')"
    ><el-input v-model="place.name" maxlength="80" :placeholder="usual"
  /></el-form-item>
  <div class="pair">
    <el-form-item label="Kind of place" :error="at('kind')">
      <el-radio-group v-model="place.kind">
        <el-radio-button value="home">Home</el-radio-button><el-radio-button value="clinic">Clinic room</el-radio-button
        ><el-radio-button value="school">School</el-radio-button>
      </el-radio-group>
    </el-form-item>
    <el-form-item label="Adult there" :error="at('supervision')">
      <el-radio-group v-model="place.supervision">
        <el-radio-button value="arms_reach">In arm’s reach</el-radio-button
        ><el-radio-button value="room">In the room</el-radio-button>
      </el-radio-group>
    </el-form-item>
    <template v-if="whole">
      <el-form-item label="Adults at the table" :error="at('adults')">
        <el-input-number v-model="place.adults" :min="1" :max="6" />
      </el-form-item>
      <el-form-item label="Who else is there" :error="at('who')">
        <el-input v-model="place.who" maxlength="120" placeholder="a sister of two, a dog" />
      </el-form-item>
    </template>
  </div>
</template>
