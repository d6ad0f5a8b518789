<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import SignInForm from './SignInForm.vue'
import { peopleWords } from './words.ts'

const t = peopleWords('signInPage')

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
  <main class="flex min-h-100vh">
    <div class="[--held:var(--rust-on-deep)] flex flex-col gap-22px items-center w-64px pt-132px bg-deep">
      <ConditionMoon v-for="phase in phases" :key="phase" :condition="phase" :size="26" />
    </div>
    <section class="grid gap-16px content-start w-[min(400px,calc(100vw_-_96px))] mr-0 ml-48px mt-112px mb-0">
      <h1>{{ t('binoculum') }}</h1>
      <p class="aside">{{ t('whatIsInTheCase') }}</p>
      <SignInForm @done="proceed" />
      <p class="second">
        {{ t('forgottenYourPasswordYourCoordinator') }}
      </p>
    </section>
  </main>
</template>
