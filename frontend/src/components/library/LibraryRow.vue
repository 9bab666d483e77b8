<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Reach } from '@/logic/library'
import PlainButton from '@/components/shared/PlainButton.vue'
import LibraryDials from '@/components/library/LibraryDials.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import TargetSign from '@/components/shared/TargetSign.vue'

/** One activity of the library: its picture, what is done, where the child stands on it; opened, its dials. */
const { reach, childId, homeId, picture, compared } = defineProps<{
  reach: Reach
  childId: number
  homeId: number
  picture: string | undefined
  compared: boolean
}>()
const emit = defineEmits<{ more: []; other: []; compare: []; love: [whose: 'child' | 'me'] }>()
const open = ref(false)
const low = computed(() => Math.min(reach.least, reach.mean) - 0.4)
const high = computed(() => Math.max(reach.most, reach.mean) + 0.4)
const across = (rung: number): number => 8 + ((rung - low.value) / (high.value - low.value)) * 184
</script>

<template>
  <li>
    <div class="pic" aria-hidden="true">
      <ActivityPicture v-if="picture" :picture="picture" />
    </div>
    <div class="what">
      <p>
        <TargetSign :target="reach.target" :size="20" />
        <button type="button" class="name" :aria-expanded="open" @click="open = !open">{{ reach.name }}</button>
        <span v-if="reach.own" class="tag">our own</span>
      </p>
      <p class="small">{{ reach.does }}</p>
      <p class="small soft">
        {{ reach.strand_name }}{{ reach.also.length ? `, also ${reach.also.join(', ').toLowerCase()}` : '' }}
      </p>
    </div>
    <div class="where">
      <svg
        viewBox="0 0 200 24"
        role="img"
        :aria-label="
          reach.low == null
            ? 'no grade on offer here'
            : `rungs ${reach.low.toFixed(1)} to ${reach.high!.toFixed(1)} on offer; the child is at ${reach.mean.toFixed(1)}`
        "
      >
        <line :x1="across(reach.least)" :x2="across(reach.most)" y1="12" y2="12" class="all" />
        <line
          v-if="reach.low != null"
          :x1="across(reach.low)"
          :x2="across(reach.high!)"
          y1="12"
          y2="12"
          :class="['here', reach.target]"
        />
        <circle :cx="across(reach.mean)" cy="12" r="6" class="child" />
      </svg>
      <p v-if="reach.offered" class="small">
        <strong>{{ reach.expected_words }}</strong> alone: {{ reach.nearest_words.join(' · ') }}
      </p>
      <p v-else class="small">{{ reach.why_not }}</p>
      <p class="small soft">
        {{ reach.offered }} of {{ reach.grades }} grades<template v-if="reach.opens"
          >. {{ reach.to_add }} Opens {{ reach.opens }} more.</template
        >
      </p>
    </div>
    <div class="acts">
      <button type="button" class="act" :aria-pressed="reach.loved" @click="emit('love', 'child')">
        {{ reach.loved ? '♥' : '♡' }} <span class="visually-hidden">{{ reach.name }}: a favourite of this child</span>
      </button>
      <button type="button" class="act" :aria-pressed="reach.liked" @click="emit('love', 'me')">
        {{ reach.liked ? '★' : '☆' }} <span class="visually-hidden">{{ reach.name }}: one of my favourites</span>
      </button>
    </div>
    <div v-if="open" class="open">
      <div class="row">
        <PlainButton @click="emit('more')">More like this</PlainButton>
        <PlainButton @click="emit('other')">Same things, other skill</PlainButton>
        <PlainButton :aria-pressed="compared" @click="emit('compare')">
          {{ compared ? 'Do not compare' : 'Compare' }}
        </PlainButton>
      </div>
      <LibraryDials :reach="reach" :child-id="childId" :home-id="homeId" />
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 132px minmax(0, 5fr) minmax(0, 4fr) 92px;
  gap: 4px var(--gap-3);
  align-items: center;
  padding: 8px var(--gap-3);
  border-top: 1px solid var(--line);
}
li:first-child {
  border-top: 0;
}
.pic {
  height: 84px;
  display: grid;
  place-items: center;
}
.pic :deep(svg.picture) {
  max-height: 84px;
  max-width: 132px;
}
.what p:first-child {
  display: flex;
  align-items: center;
  gap: 6px;
}
.where svg {
  width: min(200px, 100%);
  display: block;
}
.name {
  border: 0;
  background: none;
  padding: 0;
  color: var(--water);
  font-weight: 700;
  font-size: var(--step-1);
  text-decoration: underline;
  text-align: left;
  cursor: pointer;
  min-height: 32px;
}
.acts {
  display: flex;
}
.act {
  width: var(--touch);
  height: var(--touch);
  border: 0;
  background: none;
  color: var(--water);
  font-size: 22px;
  cursor: pointer;
}
.open {
  grid-column: 1 / -1;
}
.all {
  stroke: var(--line-strong);
  stroke-width: 2;
}
.here {
  stroke: var(--target);
  stroke-width: 9;
  stroke-linecap: round;
  stroke-opacity: 0.6;
}
.child {
  fill: var(--water);
  stroke: var(--sheet);
  stroke-width: 2;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 96px minmax(0, 1fr);
    align-items: start;
  }
  .pic {
    height: auto;
    grid-row: span 2;
  }
  .pic :deep(svg.picture) {
    max-width: 96px;
  }
  .where,
  .acts {
    grid-column: 2;
  }
}
</style>
