<script setup lang="ts">
import type { Looked } from '@/composables/useOwn'
import OwnIssues from '@/components/shelf/OwnIssues.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'
import VerdictLines from '@/components/shared/VerdictLines.vue'
import VerdictSign from '@/components/shared/VerdictSign.vue'

/** A clinic's own thing as it is drawn and judged, and where it would be used. */
defineProps<{ looked: Looked | undefined }>()
const STATUS = { allowed: 'fine', caution: 'with care', barred: 'barred' } as const
</script>

<template>
  <div v-if="looked" class="stack">
    <OwnIssues v-if="looked.issues.length" :looked="looked" />
    <template v-if="looked.thing">
      <ActivityPicture :picture="looked.thing.picture" />
      <p>{{ looked.thing.measure_words }}</p>
      <p v-if="looked.thing.passes_ring || looked.thing.part_passes_ring" class="notice">
        {{ looked.thing.passes_ring ? 'It goes' : 'The part that comes off goes' }} into the small-parts cylinder, 31.7
        mm across: a choking hazard. Try it with a ring of that size where you can.
      </p>
      <p v-else class="soft small">It does not go into the small-parts cylinder, 31.7 mm across.</p>
      <ul class="judged">
        <li v-for="j in looked.thing.judged" :key="j.who">
          <VerdictSign :status="j.status" />
          <span
            ><strong>{{ STATUS[j.status] }}</strong> for {{ j.who }} <VerdictLines :hits="j.hits"
          /></span>
        </li>
      </ul>
      <p v-if="looked.thing.used_by.length">
        <strong>{{ looked.thing.used_by.length }} activities</strong> could use it:
        {{ looked.thing.used_by.slice(0, 8).join(', ') }}{{ looked.thing.used_by.length > 8 ? '…' : '' }}
      </p>
      <p v-else class="notice">No activity could use it as it is. Say what else it can serve as, or measure again.</p>
    </template>
  </div>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
.judged {
  list-style: none;
  padding: 0;
}
.judged li {
  display: flex;
  gap: 8px;
  padding: 4px 0;
}
</style>
