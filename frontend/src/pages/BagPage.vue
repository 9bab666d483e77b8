<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ChildPicker from '@/components/bench/ChildPicker.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useOpenHomes } from '@/composables/usePlaces'

const homes = useOpenHomes()
const stores = computed(() => homes.value.filter((h) => h.kind !== 'home'))
const children = ref<number[]>([])
const store = ref(0)
const bag = ref<Schemas['BagOut'] | null>(null)
const { busy, error, doing } = useDoing()
const atHome = computed(() => {
  const by = new Map<string, Set<string>>()
  for (const u of bag.value?.uses ?? [])
    if (u.from_home) by.set(u.child, (by.get(u.child) ?? new Set()).add(u.name.toLowerCase()))
  return [...by].map(([child, names]) => ({ child, names: [...names].toSorted() }))
})

async function pack(): Promise<void> {
  const body = { children: children.value, store_id: store.value || stores.value[0]?.id || 0 }
  const packed = await doing(() => unwrap(api.POST('/api/bags', { body })))
  if (packed) bag.value = packed
}
</script>

<template>
  <div class="stack">
    <h1>Visit bag</h1>
    <form class="sheet stack no-print" novalidate @submit.prevent="pack">
      <ChildPicker v-model="children" />
      <div class="row">
        <span class="soft">Packed from</span>
        <el-select
          :model-value="store || stores[0]?.id"
          class="place"
          aria-label="Packed from"
          @update:model-value="(id: number) => (store = id)"
          ><el-option v-for="h in stores" :key="h.id" :value="h.id" :label="h.name"
        /></el-select>
        <PlainButton type="submit" main :disabled="busy || !children.length || !stores.length">
          {{ busy ? 'Packing…' : 'Pack for the newest plans' }}
        </PlainButton>
      </div>
      <p v-if="homes.length && !stores.length" class="notice">
        A bag is packed from a clinic room or a school, and none is entered yet. Add one on any child’s cupboard, under
        “Places…”.
      </p>
    </form>
    <ProblemNote :error="error" />
    <template v-if="bag">
      <p v-if="bag.unplanned.length" class="notice">
        No plan yet for {{ bag.unplanned.join(' and ') }}: plan first, then pack.
      </p>
      <p v-for="m in bag.missing" :key="m" class="notice barred">Nothing for {{ m }}</p>
      <section class="sheet" aria-label="To carry">
        <h2>
          {{
            bag.lines.length
              ? `${bag.lines.length} ${bag.lines.length === 1 ? 'thing' : 'things'} to carry`
              : 'Nothing to carry: each home has what its plan wants'
          }}
        </h2>
        <ul class="lines">
          <li v-for="line in bag.lines" :key="line.name">
            <span class="box" aria-hidden="true"></span><strong>{{ line.count }}</strong> {{ line.name.toLowerCase() }}
            <span class="soft small"
              >{{ line.children.join(', ') }}<template v-if="line.between">: {{ line.between }}</template></span
            >
          </li>
        </ul>
      </section>
      <section v-if="atHome.length" class="sheet" aria-label="There already">
        <h3>Each home has</h3>
        <p v-for="h in atHome" :key="h.child">
          <strong>{{ h.child }}</strong> <span class="soft">{{ h.names.join(', ') }}</span>
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.place {
  width: 260px;
}
.lines {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  columns: 2 340px;
}
.lines li {
  break-inside: avoid;
  min-height: 32px;
}
.box {
  display: inline-block;
  width: 15px;
  height: 15px;
  border: 2px solid var(--line-strong);
  border-radius: 3px;
  margin-right: 8px;
  vertical-align: -2px;
}
</style>
