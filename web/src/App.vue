<script setup lang="ts">
import SignInAgain from './areas/people/SignInAgain.vue'
</script>

<template>
  <RouterView />
  <SignInAgain />
</template>
