<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { minutesWords } from '@/logic/words'
import ChoiceWhy from '@/components/bench/ChoiceWhy.vue'
import TargetSign from '@/components/shared/TargetSign.vue'

/** One activity a row, one child a column: the same work, each on its own grade. */
const { group } = defineProps<{ group: Schemas['GroupOut'] }>()
const parts: Record<string, string> = { opener: 'Sure win', main: 'Main work', tidy: 'Tidy-up' }
</script>

<template>
  <section class="stack" aria-label="The session">
    <div class="row">
      <strong class="big">{{ minutesWords(group.minutes) }}</strong> of {{ group.minutes_asked }}
      <span class="soft">things from {{ group.home_name }}</span>
      <ChoiceWhy :status="group.status" :well-spent="group.well_spent" :bound="group.bound" each />
    </div>
    <p v-for="line in group.general_cautions" :key="line" class="notice">{{ line }}</p>
    <details v-if="group.kept_away.length" class="notice">
      <summary>{{ group.kept_away.length }} things stay in the cupboard: barred for a child within reach</summary>
      <ul>
        <li v-for="k in group.kept_away" :key="k">{{ k }}</li>
      </ul>
    </details>
    <p v-for="g in group.gone" :key="g" class="notice" role="status">Can’t stand any more: {{ g }}</p>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Activity</th>
            <th v-for="(c, i) in group.children" :key="group.child_ids[i]" scope="col">{{ c }}</th>
            <th scope="col">On the table</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in group.blocks" :key="b.activity_id" :class="b.target">
            <th scope="row">
              <span class="row"><TargetSign :target="b.target" :size="22" /> {{ b.name }}</span
              ><span class="small soft">{{ parts[b.part] }} · {{ b.minutes }} min</span
              ><span v-if="b.turns" class="tag caution">by turns: half here, half at the other one, then change</span>
            </th>
            <td v-for="c in b.children" :key="c.child_id">
              <strong>{{ c.count }}</strong> {{ c.unit }}<br /><span class="small">{{ c.grade_words.join(' · ') }}</span
              ><br /><span class="small soft">{{ c.expected_words }} alone</span>
            </td>
            <td class="small">
              <div v-for="t in b.things" :key="t.name">
                {{ t.wanted }} {{ t.name }}<span v-if="t.own_pot" class="soft"> (own pot each)</span>
              </div>
              <p v-for="x in b.cautions.slice(0, 2)" :key="x" class="care">{{ x }}</p>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.big {
  font-size: var(--step-3);
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 8px 10px;
  border-top: 1px solid var(--line);
}
tbody th {
  border-left: 7px solid var(--target);
  min-width: 180px;
}
tbody th > * {
  display: flex;
  font-weight: 400;
}
tbody th .row {
  font-weight: 700;
}
.care {
  color: var(--caution);
}
</style>
