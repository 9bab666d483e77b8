<script setup lang="ts">
/** The three fields of a new person: name, sign-in name, password. */
const person = defineModel<{ name: string; username: string; password: string }>({ required: true })
defineProps<{ at: (field: string) => string }>()

/** A sign-in name from the first name, until one is typed. */
function suggest(): void {
  const first = person.value.name.trim().split(/\s+/)[0] ?? ''
  if (!person.value.username) person.value.username = first.toLowerCase().replace(/[^a-z0-9-]/g, '')
}
</script>

<template>
  <el-form-item label="Your name" :error="at('name')"
    ><el-input v-model="person.name" autocomplete="name" maxlength="120" @blur="suggest"
  /></el-form-item>
  <div class="pair">
    <el-form-item label="Sign-in name" :error="at('username')"
      ><el-input v-model="person.username" autocomplete="username" maxlength="40"
    /></el-form-item>
    <el-form-item label="Password, 10 letters or more" :error="at('password')"
      ><el-input v-model="person.password" type="password" show-password autocomplete="new-password"
    /></el-form-item>
  </div>
</template>
