<script setup lang="ts">
import EmberFilter from './theme/EmberFilter.vue'
import SignInAgain from './areas/people/SignInAgain.vue'
import UnexpectedNote from './shared/UnexpectedNote.vue'
</script>

<template>
  <EmberFilter />
  <RouterView />
  <SignInAgain />
  <UnexpectedNote />
</template>
