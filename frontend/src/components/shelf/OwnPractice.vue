<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import RungList from '@/components/shelf/RungList.vue'
import { useWords } from '@/composables/useWords'
import { retrain, type ActivityValues } from '@/logic/ownValues'

/** What it trains and asks, how it is led and judged. */
const values = defineModel<ActivityValues>({ required: true })
const { at, words } = defineProps<{ at: (path: string) => string; words: Schemas['OwnWords'] }>()
const map = useWords()
const strands = computed(() => map.value?.strands ?? [])
const work = computed(() => words.works.find((w) => w.id === values.value.work))
</script>

<template>
  <section class="stack" aria-labelledby="own-practice">
    <h3 id="own-practice">What it trains</h3>
    <RungList v-model="values.trains" of="Trains" add="Also trains" :start="1" keep-first :without="values.demands">
      <template #strand="{ id, n }">
        <el-select
          :model-value="id"
          filterable
          class="strand"
          :aria-label="n ? 'Also trained' : 'Trains'"
          @update:model-value="retrain(values, id, $event)"
          ><el-option v-for="s in strands" :key="s.id" :value="s.id" :label="s.name"
        /></el-select>
        <span class="small">its easiest grade is rung</span>
      </template>
    </RungList>
    <p v-if="at('trains')" class="wrong">{{ at('trains') }}</p>
    <details>
      <summary>What it requires, how it is led</summary>
      <div class="stack">
        <RungList
          :model-value="values.demands ?? {}"
          of="Requires"
          add="It requires"
          :without="values.trains"
          @update:model-value="values.demands = $event"
        />
        <p v-if="at('demands')" class="wrong">{{ at('demands') }}</p>
        <div class="pair">
          <el-form-item label="Kind of work" :error="at('work')">
            <el-select v-model="values.work" aria-label="Kind of work"
              ><el-option v-for="w in words.works" :key="w.id" :value="w.id" :label="w.name"
            /></el-select>
          </el-form-item>
          <el-form-item :label="`Seconds a try${work ? `, ${work.low} to ${work.high}` : ''}`" :error="at('seconds')">
            <el-input-number v-model="values.seconds" :min="0.5" :max="300" aria-label="Seconds a try" />
          </el-form-item>
        </div>
        <el-form-item label="Tries in a set: under 4, under 7, older" :error="at('tries')">
          <div class="row">
            <el-input-number v-model="values.tries.young" :min="1" size="small" aria-label="Tries under 4 years" />
            <el-input-number v-model="values.tries.middle" :min="1" size="small" aria-label="Tries under 7 years" />
            <el-input-number v-model="values.tries.older" :min="1" size="small" aria-label="Tries from 7 years" />
          </div>
        </el-form-item>
        <el-form-item label="Parts of a session" :error="at('parts')">
          <el-checkbox-group v-model="values.parts"
            ><el-checkbox v-for="p in words.parts" :key="p.id" :value="p.id">{{
              p.name
            }}</el-checkbox></el-checkbox-group
          >
        </el-form-item>
        <el-form-item label="Hazards of the doing" :error="at('tags')">
          <el-checkbox-group
            :model-value="values.tags ?? []"
            class="column"
            @update:model-value="values.tags = $event as string[]"
            ><el-checkbox v-for="t in words.tags" :key="t.id" :value="t.id">{{
              t.name
            }}</el-checkbox></el-checkbox-group
          >
        </el-form-item>
        <div class="pair">
          <el-form-item label="Set out" :error="at('setup')"
            ><el-input v-model="values.setup" type="textarea" autosize
          /></el-form-item>
          <el-form-item label="Put away" :error="at('tidy')"
            ><el-input v-model="values.tidy" type="textarea" autosize
          /></el-form-item>
          <el-form-item label="Posture" :error="at('posture')">
            <el-select v-model="values.posture" filterable allow-create aria-label="Posture"
              ><el-option v-for="p in words.postures" :key="p" :value="p" :label="p"
            /></el-select>
          </el-form-item>
          <el-form-item label="Group of similar activities" :error="at('group')">
            <el-select v-model="values.group" filterable allow-create aria-label="Group of similar activities"
              ><el-option v-for="g in words.groups" :key="g" :value="g" :label="g"
            /></el-select>
          </el-form-item>
          <el-form-item label="Themes" :error="at('themes')">
            <el-select
              :model-value="values.themes ?? []"
              multiple
              filterable
              :reserve-keyword="false"
              allow-create
              aria-label="Themes"
              @update:model-value="values.themes = $event"
              ><el-option v-for="t in map?.themes" :key="t" :value="t" :label="t"
            /></el-select>
          </el-form-item>
          <el-form-item label="Watch for" :error="at('watch')">
            <el-select v-model="values.watch" multiple filterable :reserve-keyword="false" aria-label="Watch for"
              ><el-option v-for="m in words.marks" :key="m.id" :value="m.id" :label="m.name"
            /></el-select>
          </el-form-item>
          <el-form-item label="Measure" :error="at('measures')">
            <el-select
              :model-value="values.measures ?? []"
              multiple
              filterable
              :reserve-keyword="false"
              aria-label="Measure"
              @update:model-value="values.measures = $event"
              ><el-option v-for="m in words.measures" :key="m.id" :value="m.id" :label="m.name"
            /></el-select>
          </el-form-item>
        </div>
        <div class="row">
          <el-checkbox :model-value="Boolean(values.tiring)" @update:model-value="values.tiring = Boolean($event)"
            >tiring</el-checkbox
          >
          <el-checkbox
            :model-value="Boolean(values.both_hands)"
            @update:model-value="values.both_hands = Boolean($event)"
            >takes both hands</el-checkbox
          >
        </div>
      </div>
    </details>
  </section>
</template>

<style scoped>
.strand {
  width: min(260px, 100%);
}
.column {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
}
.column :deep(.el-checkbox) {
  height: auto;
  min-height: 34px;
  margin-right: 0;
}
.column :deep(.el-checkbox__label) {
  white-space: normal;
}
summary {
  min-height: var(--touch);
  padding-top: 10px;
  cursor: pointer;
}
.wrong {
  color: var(--barred);
}
</style>
