<script setup lang="ts">
import { guideListSchema } from '@binoculum/contract'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText, ownZone } from '../../shared/words.ts'

const { data, problem, reload } = useLoaded(guideListSchema, '/api/guides')
</script>

<template>
  <main class="page guides">
    <h1>Guides</h1>
    <p class="quiet">
      Every loan has its own, made at hand-out from the kit’s model and from what lay in its case, and frozen then.
      <RouterLink v-if="data?.guides[0]" :to="`/guides/texts/${data.guides[0].kitCode}`"
        >Change their texts</RouterLink
      >
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <p v-if="data && data.guides.length === 0"><strong>No kit is out.</strong> A guide is made with each hand-out.</p>
    <ul v-if="data">
      <li v-for="guide in data.guides" :key="guide.loanId">
        <p class="serif kit">{{ guide.kitName }} <KitTag :code="guide.kitCode" /></p>
        <p>
          {{ guide.borrower }}
          <span class="quiet">· loan {{ guide.loanCode }}, issued {{ dayText(guide.issuedAtUtc, ownZone) }}</span>
        </p>
        <p class="quiet">
          {{ guide.steps }} steps ·
          {{ guide.linkEndsUtc ? `link ends ${dayText(guide.linkEndsUtc, ownZone)}` : 'no link made' }}
        </p>
        <RouterLink :to="`/guides/${guide.loanId}`" class="button">Look at it</RouterLink>
      </li>
    </ul>
  </main>
</template>

<style scoped>
ul {
  margin: 12px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr) 220px auto;
  gap: 14px;
  align-items: center;
  padding: 9px 0;
  border-bottom: 1px solid var(--rule);
}

.kit {
  font-size: 20px;
  line-height: 24px;
}
</style>
