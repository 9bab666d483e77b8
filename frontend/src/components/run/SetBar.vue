<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { durationWords } from '@/logic/tally'
import { rungWords } from '@/logic/words'

const { set } = defineProps<{ set: Schemas['SetOut'] }>()
const beads = computed(() => Array.from({ length: set.tries }, (_, i) => i < set.successes))
</script>

<template>
  <div class="set">
    <div class="row top">
      <strong>{{ set.name }}</strong>
      <span class="soft small">{{ set.strand_name }}, rung {{ rungWords(set.difficulty) }}</span>
    </div>
    <div class="row">
      <span class="beads" aria-hidden="true"
        ><i v-for="(won, i) in beads" :key="i" :class="{ won, helped: set.support !== 'alone' }"></i
      ></span>
      <strong>{{ set.successes }} of {{ set.tries }}</strong> {{ set.support_words }}
      <span class="soft small"
        >{{ durationWords(set.seconds) }}<template v-if="set.drops">, {{ set.drops }} dropped</template
        ><template v-if="set.hand">, {{ set.hand }} hand</template
        ><template v-if="set.best_hold_seconds"
          >, best hold {{ set.best_hold_seconds.toFixed(1) }} s, {{ set.hold_seconds.toFixed(0) }} s in all</template
        ></span
      >
    </div>
    <p v-if="set.measured.length" class="small">{{ set.measured.join(' · ') }}</p>
    <p v-if="Object.keys(set.marks).length" class="small">
      Seen:
      {{
        Object.entries(set.marks)
          .map(([m, n]) => `${m}${n > 1 ? ` ×${n}` : ''}`)
          .join(', ')
      }}
    </p>
  </div>
</template>

<style scoped>
.set {
  border-bottom: 1px solid var(--line);
  padding-bottom: 6px;
}
.beads {
  display: inline-flex;
  gap: 3px;
  flex-wrap: wrap;
  max-width: 260px;
}
i {
  width: 13px;
  height: 13px;
  border-radius: 3px;
  border: 2px solid var(--ink-soft);
}
i.won {
  border-radius: 50%;
  background: var(--ready);
  border-color: var(--ready);
}
i.won.helped {
  background: none;
  border-width: 4px;
}
</style>
