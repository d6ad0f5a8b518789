<script setup lang="ts">
import { useSession } from '../people/session.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('emptyShelf')

const session = useSession()
</script>

<template>
  <main class="grid flex-1 grid-cols-[44px_1fr]">
    <div class="grid justify-items-center pt-64px bg-deep">
      <svg width="22" height="22" viewBox="-11 -11 22 22" aria-hidden="true">
        <circle class="fill-none stroke-star [stroke-dasharray:3_3]" r="8.6" />
      </svg>
    </div>
    <section class="grid gap-14px content-start justify-items-start max-w-620px py-52px px-32px">
      <h1>{{ t('noKitStandsHereYet') }}</h1>
      <p>
        {{ t('eachKitGetsAName') }}
      </p>
      <RouterLink v-if="session.coordinates.length > 0" to="/setup/bring-in" class="button main big">{{
        t('bringInAList')
      }}</RouterLink>
      <RouterLink v-if="session.coordinates.length > 0" to="/setup/kits" class="button big">{{
        t('makeOneByHand')
      }}</RouterLink>
      <p v-else>{{ t('yourCoordinatorBringsTheFirst') }}</p>
      <p v-if="session.coordinates.length > 0" class="quiet">
        {{ t('aCsvAsItIs') }}
      </p>
    </section>
  </main>
</template>
