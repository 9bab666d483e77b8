<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

/**
 * Every button that does or opens something: `main` for what a page is there for, `tall` where it is pressed at a table.
 * With `to` or `href` it is a link that looks the same.
 */
const { to = undefined, href = undefined } = defineProps<{
  main?: boolean
  tall?: boolean
  to?: RouteLocationRaw
  href?: string
}>()
const is = computed(() => (to ? RouterLink : href ? 'a' : 'button'))
const goes = computed(() => (to ? { to } : href ? { href } : { type: 'button' as const }))
</script>

<template>
  <component :is="is" v-bind="goes" class="plain-button" :class="{ main, tall }"><slot /></component>
</template>
