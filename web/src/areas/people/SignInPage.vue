<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import SignInForm from './SignInForm.vue'

const route = useRoute()
const router = useRouter()
const phases = ['new', 'crescent', 'half', 'full'] as const

function proceed() {
  const next = String(route.query.next ?? '/shelf')
  // Only places of our own: a link from elsewhere must not lead away after signing in.
  void router.push(next.startsWith('/') && !next.startsWith('//') ? next : '/shelf')
}
</script>

<template>
  <main class="sign-in-page">
    <div class="strip">
      <ConditionMoon v-for="phase in phases" :key="phase" :condition="phase" :size="26" />
    </div>
    <section>
      <h1>Binoculum</h1>
      <p class="aside">what is in the case, and may it go out</p>
      <SignInForm @done="proceed" />
      <p class="second">
        Forgotten your password? Your coordinator gives you a new link. Borrowers need no password: the link is on the
        loan slip.
      </p>
    </section>
  </main>
</template>

<style scoped>
.sign-in-page {
  display: flex;
  min-height: 100vh;
}

.strip {
  --held: var(--rust-on-deep);

  display: flex;
  flex-direction: column;
  gap: 22px;
  align-items: center;
  width: 64px;
  padding-top: 132px;
  background: var(--deep);
}

section {
  display: grid;
  gap: 16px;
  align-content: start;
  width: min(400px, calc(100vw - 96px));
  margin: 112px 0 0 48px;
}
</style>
