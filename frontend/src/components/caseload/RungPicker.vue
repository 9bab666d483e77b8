<script setup lang="ts">
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { ageWords, proofWords } from '@/logic/words'

const { child, ladder, seen } = defineProps<{
  child: Child
  ladder: Schemas['StrandWords']
  seen: Schemas['SeenOut'] | undefined
}>()
const emit = defineEmits<{ close: [] }>()
const changed = useChildChanged()
const error = ref<Error | null>(null)

async function choose(rung: number): Promise<void> {
  error.value = null
  try {
    changed(
      await unwrap(
        api.POST('/api/children/{child_id}/rungs', {
          params: { path: { child_id: child.id } },
          body: { strand: ladder.id, rung },
        }),
      ),
    )
    emit('close')
  } catch (problem) {
    error.value = problem as Error
  }
}
</script>

<template>
  <el-dialog
    model-value
    :title="`${ladder.name}: what did you see ${child.first_name} do?`"
    width="min(560px, 96%)"
    @close="$emit('close')"
  >
    <p>
      {{ ladder.plain
      }}<template v-if="seen?.rung">. Seen so far: rung {{ seen.rung }}, {{ proofWords(seen) }}</template
      >.
    </p>
    <p class="soft">
      The highest step that usually works, without help. The estimate starts there and moves with each session.
    </p>
    <ol class="rungs">
      <li v-for="rung in ladder.rungs" :key="rung.number">
        <PlainButton @click="choose(rung.number)">
          <strong>{{ rung.number }}</strong> <span>{{ rung.words }}</span>
          <span v-if="rung.age_months" class="soft small">often from {{ ageWords(rung.age_months) }}</span>
        </PlainButton>
      </li>
    </ol>
    <ProblemNote :error="error" />
  </el-dialog>
</template>

<style scoped>
.rungs {
  list-style: none;
  padding: 0;
  margin: var(--gap-3) 0 0;
  display: grid;
  gap: 6px;
}
.rungs button {
  width: 100%;
  display: grid;
  grid-template-columns: 28px 1fr auto;
  align-items: center;
  text-align: left;
}
</style>
