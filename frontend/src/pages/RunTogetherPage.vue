<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import EarlyEnd from '@/components/run/EarlyEnd.vue'
import RunColumn from '@/components/run/RunColumn.vue'
import RunHow from '@/components/run/RunHow.vue'
import RunMouthing from '@/components/run/RunMouthing.vue'
import RunSteps from '@/components/run/RunSteps.vue'
import { useRun } from '@/composables/useRun'
import { useRunEnd } from '@/composables/useRunEnd'
import { foldTaps, mouthedIn, whereLeft } from '@/logic/tally'

/** Several children at one table, each with a run of their own: one activity at a time, a column a child. */
const { runIds } = defineProps<{ runIds: string[] }>()
const tables = runIds.map((id) => useRun(id))
const wake = useWakeLock()
onMounted(() => void wake.request('screen').catch(() => undefined))
const at = ref(0)
const { left, of, asks, busy, error, finish } = useRunEnd(runIds, tables)
/** Everybody's taps at the activities of the first. */
const taps = computed(() => foldTaps(tables.flatMap((t) => t.events.value)))
const blocks = computed(() => tables[0]?.run.value?.blocks ?? [])
const block = computed(() => blocks.value[at.value])
/** One set-up for all where it is the same; else each child's own side counts. */
const setup = computed(() => {
  const said = new Set(tables.map((t) => t.run.value?.blocks[at.value]?.setup))
  return said.size === 1 ? block.value?.setup : 'Each child’s things on the side of the hand they use.'
})
const mouthing = computed(() => tables.filter((t) => t.run.value && mouthedIn(t.taps.value)))
const unsent = computed(() => tables.reduce((sum, t) => sum + t.unsent.value, 0))
const away = computed(() => tables.some((t) => t.away.value))
const apart = computed(() => tables.reduce((sum, t) => sum + t.apart.value, 0))
const refused = computed(() => tables.map((t) => t.refused.value).find(Boolean))
const signedOut = computed(() => tables.some((t) => t.signedOut.value))
const failed = computed(() => tables.find((t) => t.error.value)?.error.value ?? null)
watch(blocks, (now, before) => {
  if (now.length && !before?.length) at.value = Math.max(...tables.map((t) => whereLeft(t.taps.value, now)))
})
</script>

<template>
  <div class="together">
    <header class="row">
      <RunSteps class="steps" :blocks="blocks" :taps="taps" :at="at" @go="at = $event" />
      <div class="what">
        <h1>{{ block?.name }}</h1>
        <p class="small">{{ setup }}</p>
      </div>
      <span v-if="unsent" class="small" role="status"
        ><template v-if="away">No network: kept here, </template>{{ unsent }} to send</span
      >
      <PlainButton tall :disabled="at >= blocks.length - 1" @click="at += 1"> Next activity </PlainButton>
      <PlainButton main tall :disabled="busy" @click="finish">Finish</PlainButton>
    </header>
    <EarlyEnd v-if="asks" :left="left" :of="of" @on="asks = false" @end="finish" />
    <ProblemNote :error="error ?? failed" />
    <p v-if="apart" class="notice" role="status">
      The note is signed: {{ apart === 1 ? '1 tap is' : `${apart} taps are` }} kept beside it and not counted.
    </p>
    <p v-if="refused" class="notice barred" role="alert">{{ refused }}</p>
    <p v-if="signedOut" class="notice" role="alert">
      You were signed out. Every tap is kept on this tablet;
      <a :href="`/sign-in?next=/together/run/${runIds.join(',')}`">sign in again</a> and they are sent.
    </p>
    <template v-for="t in mouthing" :key="t.run.value!.id">
      <RunMouthing
        v-if="block"
        :run="t.run.value!"
        :block-id="block.id"
        :beside="tables.flatMap((o) => (o !== t && o.run.value ? [o.run.value] : []))"
        @skip="at = Math.min(at + 1, blocks.length - 1)"
      />
    </template>
    <RunHow v-if="block" :block="block" :open="tables[0]?.run.value?.step_by_step ?? false" :brief="false" />
    <div class="columns" :style="{ '--columns': Math.min(runIds.length, 4) }">
      <RunColumn v-for="(t, i) in tables" :key="runIds[i]" :table="t" :together="at" />
    </div>
  </div>
</template>

<style scoped>
.together {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 10px 12px;
  background: var(--paper);
}
header {
  gap: 12px;
}
.steps {
  flex: 0 1 auto;
}
.what {
  flex: 1;
  min-width: 200px;
}
.tall {
  min-height: 56px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: 10px;
  align-items: start;
}
@media (max-width: 760px) {
  .columns {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
