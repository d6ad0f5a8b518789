<script setup lang="ts">
import EmberFilter from './theme/EmberFilter.vue'
import SignInAgain from './areas/people/SignInAgain.vue'
</script>

<template>
  <EmberFilter />
  <RouterView />
  <SignInAgain />
</template>
