<script setup lang="ts">
import { reactive } from 'vue'
import { everyChild, type ListAsk, useCaseload } from '@/composables/useCaseload'

/** Which children: one press each; by first letters where there are many. */
const chosen = defineModel<number[]>({ required: true })
const ask = reactive<ListAsk>({ ...everyChild, sort: 'name' })
const { data } = useCaseload(() => ask)
const toggle = (id: number): void =>
  void (chosen.value = chosen.value.includes(id) ? chosen.value.filter((x) => x !== id) : [...chosen.value, id])
</script>

<template>
  <div class="row" role="group" aria-label="Children">
    <el-input
      v-if="ask.letters || (data?.pages ?? 1) > 1"
      v-model="ask.letters"
      class="letters"
      placeholder="First letters"
      aria-label="First letters"
      clearable
    />
    <button
      v-for="c in data?.children"
      :key="c.id"
      type="button"
      class="pick"
      :aria-pressed="chosen.includes(c.id)"
      @click="toggle(c.id)"
    >
      {{ c.first_name }} <span class="soft small">{{ c.home_name }}</span>
    </button>
  </div>
</template>

<style scoped>
.letters {
  width: 150px;
}
</style>
