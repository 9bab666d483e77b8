<script setup lang="ts">
/** What stands around every page one comes in by: nothing but the one form. */
const { wide = false } = defineProps<{ wide?: boolean }>()
</script>

<template>
  <div class="shore">
    <div class="sheet stack door" :class="{ wide }"><slot /></div>
  </div>
</template>

<style scoped>
.shore {
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: var(--gap-4);
  background: linear-gradient(var(--paper) 58%, var(--water-soft) 58%);
}
.door {
  width: min(400px, 100%);
  padding: var(--gap-5);
}
.door.wide {
  width: min(640px, 100%);
}
@media (max-width: 500px) {
  .shore {
    padding: var(--gap-2);
  }
  .door {
    padding: var(--gap-4);
  }
}
</style>
