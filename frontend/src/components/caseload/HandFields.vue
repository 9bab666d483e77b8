<script setup lang="ts">
import type { Schemas } from '@/api/client'
import type { MouthingAnswer } from '@/logic/newChild'

/** Which hand, and whether things go to the mouth: asked when a child is added, and ever after. */
const child = defineModel<Pick<Schemas['NewChild'], 'hand'> & { mouthing: MouthingAnswer }>({ required: true })
defineProps<{ at: (field: string) => string }>()
</script>

<template>
  <div class="pair">
    <el-form-item label="Hand" :error="at('hand')">
      <el-radio-group v-model="child.hand">
        <el-radio-button value="right">Right</el-radio-button><el-radio-button value="left">Left</el-radio-button
        ><el-radio-button value="not_settled">Not settled</el-radio-button>
      </el-radio-group>
    </el-form-item>
    <el-form-item class="wide" label="Puts things in the mouth" :error="at('mouthing')">
      <el-radio-group v-model="child.mouthing">
        <el-radio-button value="never">Never</el-radio-button><el-radio-button value="chews">Chews</el-radio-button
        ><el-radio-button value="sometimes">Sometimes</el-radio-button
        ><el-radio-button value="often">Often</el-radio-button>
      </el-radio-group>
      <p class="soft small hint">Chews: sleeve or pencil only. Under five that counts as sometimes.</p>
    </el-form-item>
  </div>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
.hint {
  flex-basis: 100%;
  line-height: 1.4;
}
</style>
