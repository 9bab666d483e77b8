<script setup lang="ts">
import ChoiceRow from '@/components/shared/ChoiceRow.vue'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useWords } from '@/composables/useWords'
import { askedOf, reshaped, SHAPES, shapeKind, type Shape, type ShapeKind, type ThingValues } from '@/logic/ownThing'

/** A clinic's own thing: what it is called, what it can serve as, how big it is, and what the hazard rules have to know. */
const values = defineModel<ThingValues>({ required: true })
const { at, words } = defineProps<{ at: (path: string) => string; words: Schemas['OwnWords'] }>()
const map = useWords()
const asked = computed(() => askedOf(values.value, words))
const hazards = computed(() => words.properties.filter((p) => p.is_hazard))
const sizesOf = (shape: Shape): Record<string, number> => shape[shapeKind(shape)] ?? {}

function named(name: string): void {
  const before = values.value.name.toLowerCase()
  values.value.name = name
  if (values.value.many === before) values.value.many = name.toLowerCase()
  if (!values.value.one || values.value.one === before.replace(/s$/, ''))
    values.value.one = name.toLowerCase().replace(/s$/, '')
}
const numberOf = (id: string): number | undefined => values.value[id] as number | undefined
const wordOf = (id: string): string | undefined => values.value[id] as string | undefined

function set(id: string, to: unknown): void {
  if (to === undefined || to === null || to === '' || to === false) delete values.value[id]
  else values.value[id] = to
}
</script>

<template>
  <div class="stack">
    <section class="stack" aria-labelledby="thing-what">
      <h3 id="thing-what">What it is</h3>
      <div class="pair">
        <el-form-item label="Name, several of them" :error="at('name')">
          <el-input :model-value="values.name" placeholder="Cotton reels" maxlength="80" @update:model-value="named" />
        </el-form-item>
        <el-form-item label="One is called" :error="at('one')"><el-input v-model="values.one" /></el-form-item>
        <el-form-item label="Several are called" :error="at('many')"><el-input v-model="values.many" /></el-form-item>
        <el-form-item label="Kept in" :error="at('kept')">
          <el-select v-model="values.kept" aria-label="Kept in"
            ><el-option v-for="k in words.kept" :key="k.id" :value="k.id" :label="k.name"
          /></el-select>
        </el-form-item>
      </div>
      <el-form-item label="It can serve as" :error="at('forms')">
        <el-select v-model="values.forms" multiple filterable :reserve-keyword="false" aria-label="It can serve as"
          ><el-option v-for="f in words.forms" :key="f.id" :value="f.id" :label="f.name"
        /></el-select>
      </el-form-item>
    </section>
    <section class="stack" aria-labelledby="thing-size">
      <h3 id="thing-size">How big it is</h3>
      <ChoiceRow
        :model-value="shapeKind(values.shape)"
        label="Its shape"
        :options="SHAPES.map((s) => ({ id: s.id as ShapeKind, words: s.words }))"
        @update:model-value="(kind) => (values.shape = reshaped(values.shape, kind))"
      />
      <div class="sizes">
        <label v-for="s in SHAPES.find((x) => x.id === shapeKind(values.shape))!.sizes" :key="s.key" class="row">
          {{ s.words }}
          <el-input-number v-model="sizesOf(values.shape)[s.key]" :min="0.1" :aria-label="`${s.words} in mm`" /> mm
        </label>
        <label class="row"
          >a home usually has <el-input-number v-model="values.usual_count" :min="1" aria-label="A home usually has"
        /></label>
      </div>
      <p v-if="at('shape')" class="wrong" role="alert">{{ at('shape') }}</p>
      <div v-if="asked.length" class="pair">
        <el-form-item
          v-for="p in asked"
          :key="p.id"
          :label="p.unit ? `${p.name}, ${p.unit}` : p.name"
          :error="at(p.id)"
        >
          <el-input-number
            v-if="p.kind === 'number'"
            :model-value="numberOf(p.id)"
            :min="0.1"
            :aria-label="p.name"
            @update:model-value="set(p.id, $event)"
          />
          <el-select
            v-else-if="p.kind === 'word'"
            :model-value="wordOf(p.id)"
            clearable
            :aria-label="p.name"
            @update:model-value="set(p.id, $event)"
            ><el-option v-for="o in p.options" :key="o" :value="o" :label="o"
          /></el-select>
          <el-checkbox
            v-else-if="p.id === 'firm'"
            :model-value="values.firm !== false"
            :aria-label="p.name"
            @update:model-value="$event ? set('firm', undefined) : (values.firm = false)"
            >yes</el-checkbox
          >
          <el-checkbox
            v-else
            :model-value="Boolean(values[p.id])"
            :aria-label="p.name"
            @update:model-value="set(p.id, Boolean($event))"
            >yes</el-checkbox
          >
        </el-form-item>
      </div>
    </section>
    <section class="stack" aria-labelledby="thing-hazards">
      <h3 id="thing-hazards">What could harm</h3>
      <p class="soft small">Tick all that is true. The hazard rules judge a thing by this and never by its name.</p>
      <div class="asked">
        <el-checkbox
          v-for="p in hazards"
          :key="p.id"
          :model-value="Boolean(values[p.id])"
          @update:model-value="set(p.id, Boolean($event))"
          >{{ p.name }}</el-checkbox
        >
      </div>
      <el-checkbox
        :model-value="Boolean(values.loose_part)"
        @update:model-value="
          values.loose_part = $event
            ? { words: 'a cap', shape: { disc: { diameter_mm: 20, height_mm: 10 } } }
            : undefined
        "
        >A part can come off it: a cap, a button, a wheel</el-checkbox
      >
      <div v-if="values.loose_part" class="row">
        <el-input v-model="values.loose_part.words" class="part" aria-label="The part that comes off" />
        <label
          v-for="s in SHAPES.find((x) => x.id === shapeKind(values.loose_part!.shape))!.sizes"
          :key="s.key"
          class="row"
        >
          {{ s.words }}
          <el-input-number
            v-model="sizesOf(values.loose_part.shape)[s.key]"
            :min="0.1"
            size="small"
            :aria-label="`The part, ${s.words} in mm`"
          />
          mm
        </label>
      </div>
      <div class="pair">
        <el-form-item label="Allergens in it" :error="at('allergens')">
          <el-select
            :model-value="values.allergens ?? []"
            multiple
            aria-label="Allergens in it"
            @update:model-value="values.allergens = $event"
            ><el-option v-for="a in map?.allergens" :key="a.id" :value="a.id" :label="a.name"
          /></el-select>
        </el-form-item>
        <el-form-item label="How it feels" :error="at('textures')">
          <el-select
            :model-value="values.textures ?? []"
            multiple
            aria-label="How it feels"
            @update:model-value="values.textures = $event"
            ><el-option v-for="t in map?.textures" :key="t.id" :value="t.id" :label="t.name"
          /></el-select>
        </el-form-item>
      </div>
    </section>
  </div>
</template>

<style scoped>
.sizes {
  display: flex;
  flex-wrap: wrap;
  gap: var(--gap-2) var(--gap-4);
}
.asked {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
}
.asked :deep(.el-checkbox) {
  height: auto;
  min-height: 36px;
  margin-right: 0;
}
.asked :deep(.el-checkbox__label) {
  white-space: normal;
}
.part {
  width: 160px;
}
.wrong {
  color: var(--barred);
}
</style>
