<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import NewPlace from '@/components/cupboard/NewPlace.vue'
import PlaceFields from '@/components/shared/PlaceFields.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useForget } from '@/composables/useForget'
import { useMay } from '@/composables/useMay'
import { useHomes } from '@/composables/usePlaces'

/** Where a child lives and where else it has sessions; and the place looked at: its name, kind, adult, or archived. */
const { child, place } = defineProps<{ child: Child; place: Schemas['HomeOut'] }>()
const emit = defineEmits<{ close: []; added: [place: Schemas['HomeOut']] }>()
const may = useMay()
const adding = ref(false)
const queries = useQueryClient()
const changed = useChildChanged()
const forget = useForget()
const { data: homes } = useHomes()
const where = reactive<Schemas['Places']>({
  home_id: child.home_id,
  also_at: [...child.also_at],
  version: child.version,
})
const form = reactive({ ...place })
const ofChild = useDoing()
const ofPlace = useDoing()

const open = computed(() => (homes.value ?? []).filter((h) => !h.is_archived || h.id === child.home_id))
const others = computed(() => open.value.filter((h) => h.kind === 'home' && h.id !== where.home_id))

const archived = computed(() => (homes.value ?? []).filter((h) => h.is_archived))

async function saveWhere(): Promise<void> {
  const params = { path: { child_id: child.id } }
  const now = await ofChild.doing(() => unwrap(api.PUT('/api/children/{child_id}/places', { params, body: where })))
  if (!now) return ofChild.newest(where)
  changed(now)
  void queries.invalidateQueries({ queryKey: ['caseload'] })
  emit('close')
}

async function bringBack(home: Schemas['HomeOut']): Promise<void> {
  const params = { path: { home_id: home.id } }
  const body = { ...home, is_archived: false }
  await ofPlace.doing(() => unwrap(api.PUT('/api/homes/{home_id}', { params, body })))
  await queries.invalidateQueries({ queryKey: ['homes'] })
}

async function savePlace(): Promise<void> {
  const params = { path: { home_id: place.id } }
  const now = await ofPlace.doing(() => unwrap(api.PUT('/api/homes/{home_id}', { params, body: form })))
  if (!now) return ofPlace.newest(form)
  void queries.invalidateQueries({ queryKey: ['homes'] })
  void queries.invalidateQueries({ queryKey: ['child', child.id] })
  forget('cupboard')
  emit('close')
}
</script>

<template>
  <el-drawer model-value size="min(580px, 100%)" title="Places" @close="$emit('close')">
    <el-form label-position="top" novalidate @submit.prevent="saveWhere">
      <h3>Where {{ child.first_name }} is</h3>
      <el-form-item label="Lives at" :error="ofChild.at('home_id')">
        <el-select v-model="where.home_id" aria-label="Lives at" filterable>
          <el-option v-for="h in open" :key="h.id" :value="h.id" :label="h.name" />
        </el-select>
      </el-form-item>
      <el-form-item label="Also at (grandparents, a second home)" :error="ofChild.at('also_at')">
        <el-select
          v-model="where.also_at"
          aria-label="Also at"
          multiple
          filterable
          :reserve-keyword="false"
          placeholder="Nowhere else"
        >
          <el-option v-for="h in others" :key="h.id" :value="h.id" :label="h.name" />
        </el-select>
      </el-form-item>
      <ProblemNote :error="ofChild.apart.value" />
      <PlainButton type="submit" main :disabled="ofChild.busy.value">Save</PlainButton>
    </el-form>
    <el-form label-position="top" novalidate class="place" @submit.prevent="savePlace">
      <h3>{{ place.name }}</h3>
      <PlaceFields v-model="form" :at="ofPlace.at" whole />
      <el-form-item :error="ofPlace.at('is_archived')">
        <el-checkbox v-model="form.is_archived">Archived: kept with its cupboard, offered no more</el-checkbox>
      </el-form-item>
      <ProblemNote :error="ofPlace.apart.value" />
      <PlainButton type="submit" :disabled="ofPlace.busy.value">Save {{ place.name }}</PlainButton>
    </el-form>
    <section v-if="may('home.add')" class="place">
      <NewPlace v-if="adding" @added="emit('added', $event)" />
      <PlainButton v-else @click="adding = true">Add another place…</PlainButton>
    </section>
    <section v-if="archived.length" class="place">
      <h3>Archived</h3>
      <p v-for="h in archived" :key="h.id" class="row">
        {{ h.name }} <PlainButton @click="bringBack(h)">Bring back</PlainButton>
      </p>
    </section>
  </el-drawer>
</template>

<style scoped>
.place {
  margin-top: var(--gap-5);
  border-top: 2px solid var(--line);
  padding-top: var(--gap-3);
}
h3 {
  margin-bottom: var(--gap-2);
}
</style>
