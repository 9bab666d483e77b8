<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { another, around, moved, toggled, without, type Edit, type Place } from '@/logic/weekEdit'
import { dayWords, minutesWords } from '@/logic/words'
import PlainButton from '@/components/shared/PlainButton.vue'
import ChoiceWhy from '@/components/bench/ChoiceWhy.vue'
import LeftOutList from '@/components/bench/LeftOutList.vue'
import TargetSign from '@/components/shared/TargetSign.vue'

/** Seven days side by side; a block is as tall as it is long, the family's minutes are the space it stands in. */
const { week, busy = false } = defineProps<{
  week: Schemas['WeekOut']
  childId: number
  busy?: boolean
  may?: boolean
}>()
const emit = defineEmits<{ edit: [edit: Edit] }>()
const kept = computed(() => week.days.some((d) => d.blocks.some((b) => b.locked)))

function pick(select: HTMLSelectElement, place: Place): void {
  const ways = { keep: toggled, another, out: without }
  const chosen = select.value
  select.value = ''
  if (chosen in ways) emit('edit', ways[chosen as keyof typeof ways](week, place))
  else if (chosen) emit('edit', moved(week, place, Number(chosen)))
}
const most = computed(() => Math.max(...week.days.map((d) => d.available), 10))
</script>

<template>
  <section class="stack" :aria-label="`Week from ${dayWords(week.starts_on)}`">
    <div class="row">
      <h2>Week from {{ dayWords(week.starts_on) }}</h2>
      <ChoiceWhy :status="week.status" :well-spent="week.well_spent" :bound="week.bound" />
      <PlainButton v-if="may && kept" :disabled="busy" @click="emit('edit', around(week))"
        >Plan the others again</PlainButton
      >
      <span class="row right">
        <PlainButton main :href="`/api/weeks/${week.id}/sheet`" target="_blank" rel="noopener"
          >Family sheet</PlainButton
        >
        <PlainButton :href="`/api/weeks/${week.id}/sheet.pdf`" target="_blank" rel="noopener">PDF</PlainButton>
      </span>
    </div>
    <ol class="days">
      <li v-for="(d, day) in week.days" :key="d.name">
        <p class="day">
          <strong>{{ d.name }}</strong>
          {{ ' ' }}<span class="soft small">{{ d.available ? `${d.available} min` : 'no practice' }}</span>
        </p>
        <div class="room" :style="{ height: `${24 + (d.available / most) * 210}px` }" :class="{ none: !d.available }">
          <div
            v-for="(b, at) in d.blocks"
            :key="b.activity_id"
            :class="['block', b.target, { kept: b.locked }]"
            :style="{ height: `${((b.minutes + b.setup_minutes) / most) * 210}px` }"
          >
            <strong>{{ b.name }}</strong>
            <span class="row small"><TargetSign :target="b.target" :size="16" /> {{ b.minutes }} min</span>
            <span class="small">{{ b.sets }} × {{ b.count }} {{ b.unit }}, {{ b.expected_words }}</span>
            <select
              v-if="may"
              :disabled="busy"
              :aria-label="`Change ${b.name} on ${d.name}`"
              @change="pick($event.target as HTMLSelectElement, { day, at })"
            >
              <option value="">{{ b.locked ? 'Kept' : 'Change…' }}</option>
              <option value="keep">{{ b.locked ? 'Keep no longer' : 'Keep' }}</option>
              <option value="another">Another activity</option>
              <option value="out">Take it out</option>
              <template v-for="(other, to) in week.days" :key="other.name">
                <option v-if="to !== day" :value="to">Move to {{ other.name }}</option>
              </template>
            </select>
          </div>
        </div>
        <p v-if="d.clinic" class="small place">Clinic session</p>
        <p v-for="b in d.school" :key="b.activity_id" class="small place">
          At school: <strong>{{ b.name }}</strong>, {{ b.sets }} × {{ b.count }} {{ b.unit }}, {{ b.minutes }} min
        </p>
        <p v-for="g in d.gone" :key="g" class="small not">{{ g }}</p>
      </li>
    </ol>
    <p class="row load">
      <span class="soft">The week asks of the hands:</span>
      <span v-for="l in week.load" :key="l.place"
        ><strong>{{ l.tries }}</strong> tries {{ l.place }}
        <span class="soft small"
          >{{ minutesWords(l.minutes) }} at work<template v-if="l.tiring_minutes"
            >, {{ minutesWords(l.tiring_minutes) }} tiring</template
          ></span
        ></span
      >
    </p>
    <LeftOutList :items="week.left_out" :child-id="childId" />
    <p v-if="week.used_up.length" class="soft">Used up over the week: {{ week.used_up.join(', ') }}.</p>
  </section>
</template>

<style scoped>
.place {
  border-left: 4px solid var(--brass);
  padding-left: 6px;
  margin-top: 4px;
}
.right {
  margin-left: auto;
}
.right a {
  display: inline-grid;
  place-items: center;
  text-decoration: none;
}
.days {
  list-style: none;
  margin: 0;
  padding: var(--gap-3);
  display: grid;
  grid-template-columns: repeat(7, minmax(120px, 1fr));
  gap: 6px;
  background: var(--board);
  border: 1px solid var(--line);
  border-bottom: 6px solid var(--line-strong);
  border-radius: var(--round);
  overflow-x: auto;
}
.day {
  margin-bottom: 4px;
}
.room {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-height: 154px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
  padding: 3px;
}
.room.none {
  min-height: 24px;
  border-style: dotted;
}
.block.kept {
  outline: 2px solid var(--line-strong);
}
.block select {
  min-height: 40px;
  width: 100%;
  min-width: 0;
  font: inherit;
  font-size: var(--step-0);
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: 6px;
}
.block {
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-left: 7px solid var(--target);
  border-radius: 6px;
  padding: 5px 7px;
  display: grid;
  align-content: start;
  line-height: 1.2;
  min-height: 144px;
  grid-template-columns: minmax(0, 1fr);
  overflow: hidden;
}
.not {
  color: var(--barred);
}
</style>
