<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'

/** Something went in the mouth: what is now barred, block by block, and one press to keep it in the profile. */
const {
  run,
  blockId,
  beside = [],
} = defineProps<{ run: Schemas['RunOut']; blockId: string; beside?: Schemas['RunOut'][] }>()
const emit = defineEmits<{ skip: [] }>()
const kept = ref('')
/** Everybody's things at this table are in reach of the child who mouths. */
const barred = computed(() => [run, ...beside].flatMap((r) => r.blocks).filter((b) => b.if_mouthed.length))
const here = computed(() => [...new Set(barred.value.filter((b) => b.id === blockId).flatMap((b) => b.if_mouthed))])
const later = computed(() => [...new Set(barred.value.filter((b) => b.id !== blockId).map((b) => b.name))])

async function keep(): Promise<void> {
  try {
    await unwrap(api.POST('/api/children/{child_id}/mouthing', { params: { path: { child_id: run.child_id } } }))
    kept.value = 'Saved. Future plans allow for mouthing.'
  } catch (problem) {
    kept.value = (problem as Error).message
  }
}
</script>

<template>
  <section class="notice barred ask" role="alert">
    <div>
      <p>
        <strong>{{ run.child_name }} mouthed a thing.</strong> Take it away; count what is left on the table.
      </p>
      <p v-for="line in here" :key="line"><strong>Barred now.</strong> {{ line }}</p>
      <p v-if="!here.length || later.length">
        <template v-if="!here.length">Nothing else in this activity is barred by it. </template
        ><template v-if="later.length">Also unsafe for the rest of today: {{ later.join(', ') }}.</template>
      </p>
      <p v-if="kept" role="status">{{ kept }}</p>
    </div>
    <div class="answers">
      <PlainButton v-if="here.length" tall @click="emit('skip')"> Leave this activity out </PlainButton>
      <PlainButton v-if="!kept" tall @click="keep">Yes, keep it in the profile</PlainButton>
      <span v-if="!kept" class="small">Does {{ run.child_name }} mouth things these days?</span>
    </div>
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: var(--gap-3);
  align-items: start;
  padding-block: 8px;
}
.answers {
  display: grid;
  gap: 4px;
}
.tall {
  min-height: 56px;
}
</style>
