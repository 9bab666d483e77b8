<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'

/** One food or texture a child is wary of: how far it went, kept as the furthest step and its seconds. */
const { childId, approach } = defineProps<{ childId: number; approach: Schemas['ApproachOut'] }>()
const changed = useChildChanged()
const { busy, error, doing } = useDoing()
const open = ref(false)
const met = reactive<Schemas['MeetingIn']>({
  what: approach.what,
  kind: approach.kind,
  step: approach.highest,
  seconds: 5,
})

async function keep(): Promise<void> {
  const now = await doing(() =>
    unwrap(api.POST('/api/children/{child_id}/meetings', { params: { path: { child_id: childId } }, body: met })),
  )
  if (now) {
    changed(now)
    open.value = false
  }
}
</script>

<template>
  <section :aria-label="`Meeting ${approach.name}`" class="approach">
    <div class="row">
      <strong>Meeting {{ approach.name }}</strong>
      <PlainButton class="small" :aria-expanded="open" @click="open = !open">Met…</PlainButton>
    </div>
    <p class="small">
      {{ approach.words }} <span class="soft">next: {{ approach.next_words }}</span>
    </p>
    <div v-if="open" class="stack form">
      <p class="small">{{ approach.rules }}</p>
      <el-select v-model="met.step" aria-label="Furthest step"
        ><el-option :value="0" label="no step today" /><el-option
          v-for="(words, i) in approach.steps"
          :key="words"
          :value="i + 1"
          :label="`${i + 1}. ${words}`"
      /></el-select>
      <div class="row">
        <el-input-number v-model="met.seconds" :min="0" :max="1800" aria-label="Seconds" />
        <span class="small soft">seconds</span>
      </div>
      <ProblemNote :error="error" />
      <PlainButton main :disabled="busy" @click="keep">Keep it</PlainButton>
    </div>
  </section>
</template>

<style scoped>
.approach {
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
.approach > .row {
  justify-content: space-between;
}
.form {
  background: var(--paper);
  border-radius: 8px;
  padding: 8px;
}
</style>
