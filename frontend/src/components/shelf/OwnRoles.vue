<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import NeedsList from '@/components/shelf/NeedsList.vue'
import { addRole, removeRole, type ActivityValues, type Role } from '@/logic/ownValues'

/** The things it takes, by what they have to be: the cupboard decides which ones they are. */
const values = defineModel<ActivityValues>({ required: true })
const { at, words, fills } = defineProps<{
  at: (path: string) => string
  words: Schemas['OwnWords']
  fills: Schemas['FillerOut'][]
}>()
const open = ref<string>()
const formWords = (id: string): string => words.forms.find((f) => f.id === id)?.name ?? id

function add(form: string): void {
  open.value = addRole(values.value, formWords(form), form).id
}

const perTry = (role: Role): boolean => Boolean(role.per_try)

function setPerTry(role: Role, on: boolean): void {
  role.per_try = on ? 1 : 0
  role.fixed = on ? 0 : 1
}
</script>

<template>
  <section class="stack" aria-labelledby="own-things">
    <h3 id="own-things">Things</h3>
    <ul class="roles">
      <li v-for="(role, i) in values.roles" :key="role.id">
        <button
          type="button"
          class="opens"
          :aria-expanded="open === role.id"
          @click="open = open === role.id ? undefined : role.id"
        >
          <strong>{{ role.words }}</strong>
          <span class="soft small"
            >{{ perTry(role) ? ', one for each try' : role.fixed && role.fixed > 1 ? `, ${role.fixed}` : ''
            }}{{ role.optional ? ', if there is one' : '' }}</span
          >
          <span v-if="fills.find((f) => f.role === role.id)" class="small fits">
            {{ fills.find((f) => f.role === role.id)!.count }} things fit:
            {{
              fills
                .find((f) => f.role === role.id)!
                .names.join(', ')
                .toLowerCase()
            }}
          </span>
        </button>
        <p v-if="at(`roles.${i}`)" class="wrong" role="alert">{{ at(`roles.${i}`) }}</p>
        <div v-if="open === role.id" class="stack inside">
          <div class="pair">
            <el-form-item label="What it is, in words" :error="at(`roles.${i}.words`)"
              ><el-input v-model="role.words"
            /></el-form-item>
            <el-form-item label="What it serves as" :error="at(`roles.${i}.form`)">
              <el-select v-model="role.form" filterable aria-label="What it serves as"
                ><el-option v-for="f in words.forms" :key="f.id" :value="f.id" :label="f.name"
              /></el-select>
            </el-form-item>
          </div>
          <div class="row">
            <el-checkbox :model-value="perTry(role)" @update:model-value="setPerTry(role, Boolean($event))"
              >one for each try</el-checkbox
            >
            <label v-if="!perTry(role)" class="row small"
              >how many <el-input-number v-model="role.fixed" :min="1" :max="60" size="small" aria-label="How many"
            /></label>
            <el-checkbox :model-value="Boolean(role.optional)" @update:model-value="role.optional = Boolean($event)"
              >only if there is one</el-checkbox
            >
            <el-checkbox :model-value="Boolean(role.sharp)" @update:model-value="role.sharp = Boolean($event)"
              >may be sharp</el-checkbox
            >
          </div>
          <NeedsList
            :model-value="role.needs ?? []"
            :words="words"
            :form="role.form"
            :label="`What ${role.words} has to be`"
            @update:model-value="role.needs = $event"
          />
          <PlainButton @click="removeRole(values, i)">Remove {{ role.words }}</PlainButton>
        </div>
      </li>
    </ul>
    <el-select
      :model-value="''"
      filterable
      class="add"
      placeholder="Add a thing… pot, peg, string"
      aria-label="Add a thing"
      @update:model-value="add"
      ><el-option v-for="f in words.forms" :key="f.id" :value="f.id" :label="f.name"
    /></el-select>
  </section>
</template>

<style scoped>
.roles {
  list-style: none;
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: var(--round);
}
.roles li + li {
  border-top: 1px solid var(--line);
}
.opens {
  padding: 6px var(--gap-3);
}
.fits {
  display: block;
  color: var(--ready);
}
.inside {
  padding: 0 var(--gap-3) var(--gap-3);
}
.wrong {
  padding: 0 var(--gap-3) 6px;
  color: var(--barred);
}
.add {
  width: min(300px, 100%);
}
</style>
