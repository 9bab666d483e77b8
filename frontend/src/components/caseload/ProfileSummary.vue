<script setup lang="ts">
import { computed } from 'vue'
import type { Child } from '@/composables/useChild'
import PlainButton from '@/components/shared/PlainButton.vue'
import GradedApproach from '@/components/caseload/GradedApproach.vue'
import WantedTask from '@/components/caseload/WantedTask.vue'
import { useWords } from '@/composables/useWords'
import { POLICIES } from '@/logic/policies'

const { child } = defineProps<{ child: Child }>()
defineEmits<{ edit: [] }>()
const words = useWords()

const precautions = computed(() => (words.value?.precautions ?? []).filter((p) => child.precautions.includes(p.id)))
const facts = computed(() => [
  ['Likes', child.likes.join(', ') || 'not noted'],
  ['Attention', `${child.attention_minutes} minutes`],
  ['Seen every', `${child.every_days} days`],
  ['Seating', child.seating || 'not noted'],
  ...POLICIES.map((p) => [p.short, words.value?.policies[p.id]?.find((c) => c.id === child[p.id])?.name ?? '']),
  ...(child.overlays.length
    ? [['On the side', child.overlays.map((o) => words.value?.overlays.find((w) => w.id === o)?.name).join(', ')]]
    : []),
  ['Food', child.food_as_material ? 'fine as a material' : 'never as a material'],
  ...(child.other_allergies.length ? [['Other allergies', child.other_allergies.join(', ')]] : []),
  ...(child.assisting_hand !== 'none' ? [['Assists', `the ${child.assisting_hand} hand`]] : []),
  ...(child.splint_hand !== 'none' ? [['Splint', `on the ${child.splint_hand} hand`]] : []),
  ...(child.force_limit_newton ? [['Force limit', `${child.force_limit_newton} N`]] : []),
])
</script>

<template>
  <aside class="sheet stack">
    <p v-if="child.reason" class="small">{{ child.reason }}</p>
    <h3>What the family wants</h3>
    <p v-if="child.family_words" class="said">“{{ child.family_words }}”</p>
    <WantedTask v-for="task in child.tasks" :key="task.task" :child-id="child.id" :task="task" />
    <GradedApproach v-for="a in child.approaches" :key="a.kind + a.what" :child-id="child.id" :approach="a" />
    <dl>
      <template v-for="[name, value] in facts" :key="name">
        <dt class="soft">{{ name }}</dt>
        <dd>{{ value }}</dd>
      </template>
    </dl>
    <div v-if="precautions.length">
      <strong>Precautions</strong>
      <ul class="changes small">
        <li v-for="p in precautions" :key="p.id">
          <strong>{{ p.name }}:</strong> {{ p.changes }}
        </li>
      </ul>
    </div>
    <PlainButton @click="$emit('edit')">Edit profile</PlainButton>
  </aside>
</template>

<style scoped>
.changes {
  margin: 4px 0 0;
  padding-left: 18px;
}
.said {
  font-size: var(--step-2);
}
dl {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 4px 12px;
  margin: 0;
}
dd {
  margin: 0;
}
</style>
