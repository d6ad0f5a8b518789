<script setup lang="ts">
import { useSession } from '../people/session.ts'

const session = useSession()
</script>

<template>
  <main class="empty">
    <div class="strip">
      <svg width="22" height="22" viewBox="-11 -11 22 22" aria-hidden="true"><circle r="8.6" /></svg>
    </div>
    <section>
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

<style scoped>
.empty {
  display: grid;
  flex: 1;
  grid-template-columns: 44px 1fr;
}

.strip {
  display: grid;
  justify-items: center;
  padding-top: 64px;
  background: var(--deep);
}

circle {
  fill: none;
  stroke: var(--star);
  stroke-dasharray: 3 3;
}

section {
  display: grid;
  gap: 14px;
  align-content: start;
  justify-items: start;
  max-width: 620px;
  padding: 52px 32px;
}
</style>
