<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import LibraryRow from '@/components/library/LibraryRow.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import type { Child } from '@/composables/useChild'
import { useLibrary } from '@/composables/useLibrary'
import { usePlaces } from '@/composables/usePlaces'
import { useWords } from '@/composables/useWords'
import { answers, fits } from '@/logic/library'

const { child } = defineProps<{ child: Child }>()
const words = useWords()
const places = usePlaces(() => child)
const chosen = ref(child.home_id)
const search = ref('')
const target = ref('')
const strand = ref('')
const rung = ref<number>()
const minutes = ref<number>()
const ladder = computed(() => words.value?.strands.find((s) => s.id === strand.value))
const strands = computed(() => (words.value?.strands ?? []).filter((s) => !target.value || s.target === target.value))
watch(target, () => (strand.value = ''))
watch(strand, () => (rung.value = undefined))
const { data, error, isPending } = useLibrary(
  () => child.id,
  () => chosen.value,
)
const found = computed(() =>
  (data.value ?? []).filter(
    (r) =>
      answers(r, search.value) &&
      fits(r, { target: target.value, strand: strand.value, rung: rung.value, minutes: minutes.value }),
  ),
)
const here = computed(() => found.value.filter((r) => r.offered))
const not = computed(() => found.value.filter((r) => !r.offered))
</script>

<template>
  <div class="stack">
    <div class="row">
      <el-select v-model="chosen" class="place" aria-label="Which cupboard"
        ><el-option v-for="h in places" :key="h.id" :value="h.id" :label="h.name"
      /></el-select>
      <el-input
        v-model="search"
        class="search"
        placeholder="I have… egg box, straws"
        aria-label="Search by thing, activity or skill"
        clearable
      />
      <button
        v-for="t in words?.targets"
        :key="t.id"
        type="button"
        class="pick"
        :aria-pressed="target === t.id"
        @click="target = target === t.id ? '' : t.id"
      >
        <TargetSign :target="t.id" :size="20" /> {{ t.name }}
      </button>
    </div>
    <div class="row">
      <el-select v-model="strand" class="strand" placeholder="Any skill" aria-label="Skill" clearable
        ><el-option v-for="s in strands" :key="s.id" :value="s.id" :label="s.name"
      /></el-select>
      <el-select v-if="ladder" v-model="rung" class="rung" placeholder="Any rung" aria-label="Rung" clearable
        ><el-option v-for="r in ladder.rungs" :key="r.number" :value="r.number" :label="`${r.number}: ${r.words}`"
      /></el-select>
      <el-select v-model="minutes" class="minutes" placeholder="Any length" aria-label="Minutes" clearable
        ><el-option v-for="m in [2, 3, 5, 8]" :key="m" :value="m" :label="`fits ${m} minutes`"
      /></el-select>
    </div>
    <ProblemNote :error="error" />
    <p v-if="isPending" class="soft">Looking through the cupboard…</p>
    <template v-if="data">
      <p>
        <strong>{{ here.length }}</strong> activities this home can offer {{ child.first_name
        }}<span class="soft"
          >, those nearest to 8 of 10 first. The solid bar is the grades on offer here, the thin line all there are, the
          dot is {{ child.first_name }}.</span
        >
      </p>
      <ul class="list">
        <LibraryRow v-for="r in here" :key="r.activity_id" :reach="r" :child-id="child.id" :home-id="chosen" />
      </ul>
      <template v-if="not.length">
        <h3>Not from this cupboard</h3>
        <ul class="list">
          <LibraryRow v-for="r in not" :key="r.activity_id" :reach="r" :child-id="child.id" :home-id="chosen" />
        </ul>
      </template>
    </template>
  </div>
</template>

<style scoped>
.place {
  width: 170px;
}
.search {
  width: 220px;
}
.strand {
  width: 210px;
}
.rung {
  width: 380px;
}
.minutes {
  width: 150px;
}
.pick {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: var(--touch);
  padding: 0 8px;
  border: 1px solid var(--line);
  border-radius: 999px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-0);
  cursor: pointer;
}
.pick[aria-pressed='true'] {
  border-color: var(--water);
  background: var(--water-soft);
  font-weight: 700;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--round);
}
</style>
