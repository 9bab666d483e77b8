<script setup lang="ts">
/** One activity at one grade as the core draws it: SVG with words of its own, tinted by the theme. */
defineProps<{ picture: string }>()
</script>

<template>
  <!-- The core's own drawing; what a person wrote is escaped in it (core/tests/test_own.py). -->
  <!-- eslint-disable-next-line vue/no-v-html -->
  <div class="picture-box" v-html="picture" />
</template>

<style scoped>
.picture-box :deep(svg.picture) {
  display: block;
  width: auto;
  max-width: 100%;
  height: auto;
  max-height: 240px;
}
</style>
