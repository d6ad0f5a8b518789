<script setup lang="ts">
import SignInForm from './SignInForm.vue'
import { useSession } from './session.ts'

const session = useSession()
</script>

<template>
  <div
    v-if="session.asksAgain"
    class="fixed inset-0 z-3000 grid place-items-center [background:rgb(24_46_69_/_72%)]"
    role="dialog"
    aria-modal="true"
    aria-labelledby="again-title"
  >
    <section class="grid gap-12px w-[min(420px,calc(100vw_-_32px))] p-24px rd-4px bg-paper">
      <h2 id="again-title">Your session is over. Sign in again</h2>
      <p>Nothing is lost: what you typed stays where it is, and goes on when you are back.</p>
      <SignInForm :email="session.current?.email ?? ''" />
    </section>
  </div>
</template>
