<script setup lang="ts">
import { useDark } from '@vueuse/core'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLeaving } from './composables/useLeaving'
import { useFirstSteps, useShortcuts } from './composables/useShortcuts'
import TopBar from './components/shared/TopBar.vue'

const dark = useDark({ disableTransition: false })
const route = useRoute()
const router = useRouter()
const ShortcutHelp = defineAsyncComponent(() => import('./components/shared/ShortcutHelp.vue'))
const bare = computed(() => route.meta.bare === true || route.name === 'sign-in')
const keys = useShortcuts(() => !bare.value)
const steps = useFirstSteps()
const { leaving, missed } = useLeaving()

function showSteps(): void {
  steps.value = true
  keys.value = false
  void router.push('/')
}
</script>

<template>
  <a class="skip" href="#main">Skip to the content</a>
  <TopBar v-if="!bare" v-model:dark="dark" />
  <div v-if="leaving" class="coming" role="progressbar" aria-label="Opening the page"></div>
  <main id="main" :class="{ page: !bare, leaving }" :aria-busy="leaving" tabindex="-1">
    <p v-if="missed" class="notice barred missed" role="alert">
      That page couldn’t be fetched. Check the connection, then <a :href="missed">open it again</a>.
    </p>
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
.leaving {
  pointer-events: none; /* a press meant for the page to come must not land on the one still here */
}
.missed {
  margin-bottom: var(--gap-3);
}
.coming {
  position: fixed;
  inset: 0 0 auto;
  z-index: 20;
  height: 3px;
  background: var(--brass);
  transform-origin: left;
  animation: coming 8s cubic-bezier(0.1, 0.8, 0.3, 1) 0.15s both;
}
@keyframes coming {
  from {
    transform: scaleX(0);
  }
  to {
    transform: scaleX(0.95);
  }
}
@media (prefers-reduced-motion: reduce) {
  .coming {
    animation-duration: 1ms;
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
