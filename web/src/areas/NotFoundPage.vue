<script setup lang="ts">
import { frameWords } from './words.ts'

const t = frameWords('notFoundPage')
</script>

<template>
  <main class="page">
    <h1>{{ t('thereIsNothingHere') }}</h1>
    <p>
      {{ t('theAddressMayBeMistyped') }} <RouterLink to="/shelf">{{ t('goToTheShelf') }}</RouterLink>
    </p>
  </main>
</template>
