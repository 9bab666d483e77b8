<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { sparkline } from '@/logic/sparkline'

/** Measures beside the rung: a small line each, first and last value with the unit. */
defineProps<{ series: Schemas['SeriesOut'][] }>()
const shown = (value: number, unit: string): string => `${value >= 10 ? value.toFixed(0) : value.toFixed(1)} ${unit}`
</script>

<template>
  <div class="measures">
    <figure v-for="s in series" :key="s.id">
      <figcaption>
        <strong>{{ s.name }}</strong>{{ ' '
        }}<span class="soft small"
          >{{ shown(s.points[0]!.value, s.unit) }} to {{ shown(s.points.at(-1)!.value, s.unit) }}</span
        >
      </figcaption>
      <svg
        viewBox="0 0 160 44"
        preserveAspectRatio="none"
        role="img"
        :aria-label="`${s.name}: ${shown(s.points[0]!.value, s.unit)} to ${shown(s.points.at(-1)!.value, s.unit)} over ${s.points.length} sessions`"
      >
        <path
          :d="
            sparkline(
              s.points.map((p) => p.value),
              160,
              44,
            )
          "
        />
      </svg>
    </figure>
  </div>
</template>

<style scoped>
.measures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: var(--gap-3);
}
figure {
  margin: 0;
}
figcaption {
  display: grid;
}
path {
  fill: none;
  stroke: var(--water);
  stroke-width: 2.5;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
svg {
  width: 100%;
  height: 48px;
  background: var(--paper);
  border-radius: 6px;
}
</style>
