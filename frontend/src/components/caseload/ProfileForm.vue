<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import SaidWords from '@/components/caseload/SaidWords.vue'
import HandFields from '@/components/caseload/HandFields.vue'
import DayField from '@/components/shared/DayField.vue'
import TaskPicker from '@/components/shared/TaskPicker.vue'
import { isoToday } from '@/logic/newChild'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { useWords } from '@/composables/useWords'
import { POLICIES } from '@/logic/policies'

/** What some precautions are asked with. */
const DETAILS = [
  { id: 'assisting_hand', words: 'Hand that assists' },
  { id: 'splint_hand', words: 'Hand with the splint' },
] as const
const { child } = defineProps<{ child: Child }>()
const emit = defineEmits<{ close: [] }>()
const words = useWords()
const changed = useChildChanged()
const form = reactive<Schemas['ProfileEdit']>({ ...child, force_limit_newton: child.force_limit_newton ?? null })
const wanted = computed({ get: () => form.wanted, set: (now) => (form.wanted = now) })
const said = computed({
  get: () => ({ wanted: form.wanted ?? [], behind: form.behind ?? [], told: form.told ?? {} }),
  set: (now) => Object.assign(form, now),
})
const saidWords = computed(() => [form.reason, form.family_words, form.referral].filter(Boolean).join('. '))
const consentOn = computed({ get: () => form.consent_on ?? '', set: (now) => (form.consent_on = now || null) })
const refused = ref<Refused | null>(null)
const other = ref<Error | null>(null)

const theirs = computed(() => {
  const saved = refused.value?.problem.theirs
  if (!saved) return []
  return Object.entries(saved).filter(
    ([k, v]) => k !== 'version' && JSON.stringify(v) !== JSON.stringify(form[k as keyof typeof form]),
  )
})
const ticked = computed(() => (words.value?.precautions ?? []).filter((p) => form.precautions.includes(p.id)))
const details = computed(() => DETAILS.filter((d) => ticked.value.some((p) => p.details.includes(d.id))))
const at = (field: string): string => refused.value?.at(field) ?? ''

async function save(): Promise<void> {
  refused.value = other.value = null
  try {
    changed(await unwrap(api.PUT('/api/children/{child_id}', { params: { path: { child_id: child.id } }, body: form })))
    emit('close')
  } catch (problem) {
    if (problem instanceof Refused) refused.value = problem
    else other.value = problem as Error
  }
}

function takeMine(): void {
  form.version = Number((refused.value?.problem.theirs as { version: number }).version)
  void save()
}

function say(value: unknown): string {
  return Array.isArray(value) ? value.join(', ') || 'none' : String(value ?? 'none')
}
</script>

<template>
  <el-drawer model-value size="min(560px, 100%)" :title="`${child.first_name}’s profile`" @close="$emit('close')">
    <el-form label-position="top" novalidate @submit.prevent="save">
      <div class="pair">
        <el-form-item label="First name" :error="at('first_name')"
          ><el-input v-model="form.first_name" maxlength="60"
        /></el-form-item>
        <el-form-item label="Born" :error="at('birth_date')"
          ><DayField v-model="form.birth_date" label="Born" :latest="isoToday(new Date())"
        /></el-form-item>
      </div>
      <HandFields v-model="form" :at="at" />
      <el-form-item label="Why the child is seen"><el-input v-model="form.reason" maxlength="200" /></el-form-item>
      <el-form-item label="What the family wants, in their words"
        ><el-input v-model="form.family_words" maxlength="200"
      /></el-form-item>
      <el-form-item label="Referral: from whom, why, what is known" :error="at('referral')"
        ><el-input v-model="form.referral" type="textarea" :rows="2" maxlength="500"
      /></el-form-item>
      <SaidWords v-model="said" :text="saidWords" />
      <el-form-item label="Daily tasks wanted" :error="at('wanted')">
        <TaskPicker v-model="wanted" />
      </el-form-item>
      <div class="pair">
        <el-form-item label="Consent given on" :error="at('consent_on')"
          ><DayField v-model="consentOn" label="Consent given on" :latest="isoToday(new Date())"
        /></el-form-item>
        <el-form-item label="By whom, to what" :error="at('consent_words')"
          ><el-input v-model="form.consent_words" maxlength="300"
        /></el-form-item>
      </div>
      <div class="pair">
        <el-form-item label="Allergies" :error="at('allergies')">
          <el-select v-model="form.allergies" multiple
            ><el-option v-for="a in words?.allergens" :key="a.id" :value="a.id" :label="a.name"
          /></el-select>
        </el-form-item>
        <el-form-item label="Other allergies, in words" :error="at('other_allergies')">
          <el-select
            v-model="form.other_allergies"
            multiple
            filterable
            :reserve-keyword="false"
            allow-create
            default-first-option
            no-data-text="Type one and press Enter"
          />
        </el-form-item>
      </div>
      <el-form-item label="Foods the child is wary of, in words" :error="at('wary_of')">
        <el-select
          v-model="form.wary_of"
          multiple
          filterable
          :reserve-keyword="false"
          allow-create
          default-first-option
          no-data-text="Type one and press Enter"
        />
      </el-form-item>
      <el-form-item label="Precautions" :error="at('precautions')">
        <el-select v-model="form.precautions" multiple
          ><el-option v-for="p in words?.precautions" :key="p.id" :value="p.id" :label="p.name"
        /></el-select>
        <ul v-if="ticked.length" class="changes small">
          <li v-for="p in ticked" :key="p.id">
            <strong>{{ p.name }}:</strong> {{ p.changes }}
          </li>
        </ul>
      </el-form-item>
      <el-form-item v-for="d in details" :key="d.id" :label="d.words" :error="at(d.id)">
        <el-radio-group v-model="form[d.id]"
          ><el-radio-button value="right">Right</el-radio-button
          ><el-radio-button value="left">Left</el-radio-button></el-radio-group
        >
      </el-form-item>
      <div class="pair">
        <el-form-item label="Likes"
          ><el-select
            v-model="form.likes"
            multiple
            filterable
            :reserve-keyword="false"
            allow-create
            default-first-option
            ><el-option v-for="t in words?.themes" :key="t" :value="t" :label="t" /></el-select
        ></el-form-item>
        <el-form-item label="Refuses to touch">
          <el-select v-model="form.refuses" multiple
            ><el-option v-for="t in words?.textures" :key="t.id" :value="t.id" :label="t.name"
          /></el-select>
        </el-form-item>
        <el-form-item label="Attention, minutes" :error="at('attention_minutes')"
          ><el-input-number v-model="form.attention_minutes" :min="2" :max="120"
        /></el-form-item>
        <el-form-item label="Seen every … days" :error="at('every_days')"
          ><el-input-number v-model="form.every_days" :min="1" :max="180"
        /></el-form-item>
        <el-form-item label="Force limit, N (empty: none)" :error="at('force_limit_newton')"
          ><el-input-number v-model="form.force_limit_newton" :min="1" :max="500"
        /></el-form-item>
        <el-form-item label="Seating"><el-input v-model="form.seating" maxlength="200" /></el-form-item>
      </div>
      <fieldset class="schools">
        <legend>Approach</legend>
        <el-form-item v-for="p in POLICIES" :key="p.id" :label="p.words" :error="at(p.id)">
          <el-radio-group v-model="form[p.id]"
            ><el-radio v-for="c in words?.policies[p.id]" :key="c.id" :value="c.id">{{
              c.name
            }}</el-radio></el-radio-group
          >
        </el-form-item>
      </fieldset>
      <el-form-item label="Learns on the side, never scored">
        <el-select v-model="form.overlays" multiple
          ><el-option v-for="o in words?.overlays" :key="o.id" :value="o.id" :label="o.name"
        /></el-select>
      </el-form-item>
      <el-form-item
        ><el-checkbox v-model="form.food_as_material">Food may be used as a material</el-checkbox>
        <el-checkbox v-model="form.young_guises">Likes activities made for younger children</el-checkbox></el-form-item
      >
      <div v-if="refused?.status === 409" class="notice stack" role="alert">
        <p><strong>Somebody else changed this meanwhile.</strong> What they saved, where it differs from yours:</p>
        <ul>
          <li v-for="[name, value] in theirs" :key="name">
            {{ name.replaceAll('_', ' ') }}: {{ say(value) }} (yours: {{ say(form[name as keyof typeof form]) }})
          </li>
        </ul>
        <PlainButton @click="takeMine">Save mine over theirs</PlainButton>
      </div>
      <ProblemNote v-else :error="refused ?? other" />
      <PlainButton type="submit" main>Save</PlainButton>
    </el-form>
  </el-drawer>
</template>

<style scoped>
.changes {
  margin: 6px 0 0;
  padding-left: 18px;
  line-height: 1.4;
}
.schools {
  border: 0;
  border-top: 1px solid var(--line);
  margin: 0 0 var(--gap-3);
  padding: var(--gap-2) 0 0;
}
.schools legend {
  padding: 0 8px 0 0;
  font-weight: 700;
}
</style>
