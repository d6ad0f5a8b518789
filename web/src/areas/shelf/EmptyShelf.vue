<script setup lang="ts">
import { useSession } from '../people/session.ts'

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
      <h1>No kit stands here yet.</h1>
      <p>
        Each kit gets a name, a tag and a Moon in the dark strip: full when it is fit to lend. Nothing is lent before
        its parts were counted once.
      </p>
      <RouterLink v-if="session.coordinates.length > 0" to="/setup/bring-in" class="button main big"
        >Bring in a list</RouterLink
      >
      <RouterLink v-if="session.coordinates.length > 0" to="/setup/kits" class="button big"
        >Make one by hand</RouterLink
      >
      <p v-else>Your coordinator brings the first kits in.</p>
      <p v-if="session.coordinates.length > 0" class="quiet">
        A CSV as it is: one line for each part. You see what would come in before anything is written.
      </p>
    </section>
  </main>
</template>
