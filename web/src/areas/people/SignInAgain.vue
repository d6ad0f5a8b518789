<script setup lang="ts">
import SignInForm from './SignInForm.vue'
import { useSession } from './session.ts'

const session = useSession()
</script>

<template>
  <div v-if="session.asksAgain" class="veil" role="dialog" aria-modal="true" aria-labelledby="again-title">
    <section>
      <h2 id="again-title">Your session is over. Sign in again</h2>
      <p>Nothing is lost: what you typed stays where it is, and goes on when you are back.</p>
      <SignInForm :email="session.current?.email ?? ''" />
    </section>
  </div>
</template>

<style scoped>
.veil {
  position: fixed;
  inset: 0;
  z-index: 3000;
  display: grid;
  place-items: center;
  background: rgb(24 46 69 / 72%);
}

section {
  display: grid;
  gap: 12px;
  width: min(420px, calc(100vw - 32px));
  padding: 24px;
  border-radius: 4px;
  background: var(--paper);
}
</style>
