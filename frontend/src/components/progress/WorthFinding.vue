<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import DoubtBar from '@/components/shared/DoubtBar.vue'
import LookStart from '@/components/caseload/LookStart.vue'
import type { Child } from '@/composables/useChild'
import { dayWords } from '@/logic/words'

/**
 * What is worth finding out next: each strand's belief as a bar beside the rung a wanted task demands. The wider the bar
 * across that rung, the more the doubt costs.
 */
const { child } = defineProps<{ child: Child }>()
const SHOWN = 5
const SPREADS = 1.3 // four in five of what is believed
const { data } = useQuery({
  queryKey: ['to-find-out', () => child.id],
  queryFn: () => unwrap(api.GET('/api/children/{child_id}/to-find-out', { params: { path: { child_id: child.id } } })),
})
const now = computed(() => (data.value ?? []).filter((q) => q.now).slice(0, SHOWN))
const later = computed(() => (data.value ?? []).filter((q) => !q.now).slice(0, SHOWN))
const REACH = 3 // rungs shown on either side of the demanded one
</script>

<template>
  <section v-if="now.length || later.length" class="sheet stack" aria-label="Worth finding out">
    <h2>Worth finding out</h2>
    <p v-if="!now.length" class="soft">Nothing now: what the wanted tasks need is known well enough.</p>
    <ul v-else class="pictured-rows">
      <li v-for="q in now" :key="q.strand">
        <span
          ><b>{{ q.name }}</b> <span class="soft small">for “{{ q.task_name }}”</span></span
        >
        <DoubtBar
          :mark="q.demanded"
          :at="q.mean"
          :doubt="SPREADS * q.sd"
          :reach="REACH"
          :label="`Needs rung ${q.demanded}; thought to be at ${q.mean.toFixed(1)}, give or take ${q.sd.toFixed(1)}`"
          clear
        />
        <span class="small">{{ q.words }}</span>
      </li>
    </ul>
    <LookStart v-if="now.length" :child="child" again />
    <p v-if="later.length" class="small">
      Later:
      <template v-for="(q, n) in later" :key="q.strand"
        >{{ n ? ', ' : '' }}{{ q.name.toLowerCase() }} from {{ dayWords(q.due) }}</template
      >.
    </p>
    <p class="small soft">
      Bar: the rung the task demands. Dot and band: where the child is thought to stand, four in five sure. The doubt
      that costs a task most comes first; the first look chooses its sets by the same rule.
    </p>
  </section>
</template>
