<template>
  <div class="stack">
    <h1>Nothing here</h1>
    <p>This address leads nowhere. <RouterLink to="/">Back to the children</RouterLink></p>
  </div>
</template>
