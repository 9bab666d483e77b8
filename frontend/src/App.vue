<script setup lang="ts">
import { useDark } from '@vueuse/core'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useFirstSteps, useShortcuts } from './composables/useShortcuts'
import TopBar from './components/shared/TopBar.vue'

const dark = useDark({ disableTransition: false })
const route = useRoute()
const router = useRouter()
const ShortcutHelp = defineAsyncComponent(() => import('./components/shared/ShortcutHelp.vue'))
const bare = computed(() => route.meta.bare === true || route.name === 'sign-in')
const keys = useShortcuts(() => !bare.value)
const steps = useFirstSteps()

function showSteps(): void {
  steps.value = true
  keys.value = false
  void router.push('/')
}
</script>

<template>
  <a class="skip" href="#main">Skip to the content</a>
  <TopBar v-if="!bare" v-model:dark="dark" />
  <main id="main" :class="{ page: !bare }" tabindex="-1">
    <RouterView />
  </main>
  <ShortcutHelp v-if="keys" @close="keys = false" @steps="showSteps" />
</template>

<style scoped>
.page {
  max-width: 1320px;
  margin: 0 auto;
  padding: var(--gap-4);
}
@media (max-width: 760px) {
  .page {
    padding: var(--gap-3) var(--gap-3) 96px; /* the tabs at the thumb cover nothing */
  }
}
main:focus {
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 9;
  background: var(--sheet);
  padding: 8px;
}
</style>
