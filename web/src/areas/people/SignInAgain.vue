<script setup lang="ts">
import SignInForm from './SignInForm.vue'
import { useSession } from './session.ts'
import { peopleWords } from './words.ts'

const t = peopleWords('signInAgain')

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
      <h2 id="again-title">{{ t('yourSessionIsOverSign') }}</h2>
      <p>{{ t('nothingIsLostWhatYou') }}</p>
      <SignInForm :email="session.current?.email ?? ''" />
    </section>
  </div>
</template>
