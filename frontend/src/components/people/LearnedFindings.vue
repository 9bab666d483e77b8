<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import DoubtBar from '@/components/shared/DoubtBar.vue'

/** What was found beside what the library says: a bar for the library, a dot with its doubt for the children. */
const { findings } = defineProps<{ findings: Schemas['FindingOut'][] }>()
const KINDS = { base: 'Activities', step: 'Steps', help: 'Help', seconds: 'Seconds a try' } as const
const SHOWN = 8
const REACH = { base: 1.5, step: 0.6, help: 0.6, seconds: 1 }
const all = ref<string[]>([])

const groups = computed(() =>
  (Object.keys(KINDS) as (keyof typeof KINDS)[])
    .map((kind) => ({ kind, of: findings.filter((f) => f.kind === kind).sort((a, b) => b.moved - a.moved) }))
    .filter((g) => g.of.length),
)
const number = (f: Schemas['FindingOut'], n: number): string => n.toFixed(f.kind === 'base' ? 1 : 2)
const doubt = (f: Schemas['FindingOut']): number => (f.kind === 'seconds' ? f.sd * f.found : f.sd)
/** The words the numbers stand for. */
function said(f: Schemas['FindingOut']): string {
  const by = f.found - f.library
  if (f.kind === 'seconds') return `${number(f, f.found)} times as long`
  const way = f.kind === 'help' ? (by > 0 ? 'helps more' : 'helps less') : by > 0 ? 'harder' : 'easier'
  return `${way} by ${Math.abs(by).toFixed(2)} rung`
}
</script>

<template>
  <div class="stack">
    <section v-for="g in groups" :key="g.kind" :aria-label="KINDS[g.kind]">
      <h3>{{ KINDS[g.kind] }}</h3>
      <ul class="pictured-rows">
        <li v-for="f in all.includes(g.kind) ? g.of : g.of.slice(0, SHOWN)" :key="f.words">
          <span class="name">{{ f.words }}</span>
          <DoubtBar
            :mark="f.library"
            :at="f.found"
            :doubt="doubt(f)"
            :reach="REACH[f.kind]"
            :label="`${said(f)}, give or take ${number(f, doubt(f))}`"
            :clear="f.moved >= 1"
          />
          <span class="said"
            ><b v-if="f.moved >= 1">{{ said(f) }}</b
            ><template v-else>{{ said(f) }}</template>
            <span class="small soft"
              >{{ number(f, f.library) }} → {{ number(f, f.found) }} ± {{ number(f, doubt(f)) }} {{ f.unit }} ·
              {{ f.children }} {{ f.children === 1 ? 'child' : 'children' }}, {{ f.tries }} tries</span
            ></span
          >
        </li>
      </ul>
      <PlainButton v-if="g.of.length > SHOWN && !all.includes(g.kind)" @click="all = [...all, g.kind]">
        All {{ g.of.length }}
      </PlainButton>
    </section>
    <p class="small soft">
      Bar in the middle: what the library says. Dot and band: what your children show, and the margin of doubt. A filled
      dot differs by more than that. Surest first.
    </p>
  </div>
</template>

<style scoped>
.said {
  display: flex;
  flex-direction: column;
}
</style>
