<script setup lang="ts">
import { guideListSchema, guideSchema } from '@binoculum/contract'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useChosenLine } from '../../shared/use-chosen-line.ts'
import { dayText } from '../../shared/dates.ts'
import HandedOut from '../desk/HandedOut.vue'
import { useSession } from '../people/session.ts'
import PhoneFrame from './PhoneFrame.vue'
import { useGuideLink } from './use-guide-link.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('guidesPage')

const session = useSession()
const { data, problem, reload } = useLoaded(guideListSchema, '/api/guides')
const { chosen, choose } = useChosenLine(
  () => data.value?.guides ?? [],
  ({ loanId }) => loanId,
)
const { data: guide } = useLoaded(guideSchema, () =>
  chosen.value ? `/api/loans/${chosen.value.loanId}/guide` : null,
)
const { slip, sending, problem: refusal, newLink } = useGuideLink()
</script>

<template>
  <HandedOut v-if="slip" :slip="slip" />
  <main v-else :class="['page guides', { 'with-preview': chosen }]">
    <div>
      <h1>{{ t('guides') }}</h1>
      <p class="quiet">
        {{ t('everyLoanHasItsOwn') }}
        <RouterLink v-if="data?.guides[0]" :to="`/guides/texts/${data.guides[0].kitCode}`">{{
          t('changeTheirTexts')
        }}</RouterLink>
      </p>
      <ProblemNote :problem="problem" @retry="reload" />
      <ProblemNote :problem="refusal" />
      <p v-if="data && data.guides.length === 0">
        <strong>{{ t('noKitIsOut') }}</strong> {{ t('aGuideIsMadeWith') }}
      </p>
      <ul v-if="data" class="mx-0 mt-12px mb-0 p-0 list-none">
        <li
          v-for="line in data.guides"
          :key="line.loanId"
          class="grid grid-cols-[170px_minmax(0,1fr)_170px_auto] gap-14px items-center pr-0 pl-10px py-9px line-b-rule max-[720px]:grid-cols-[minmax(0,1fr)] max-[720px]:gap-4px"
          :class="{ chosen: line.loanId === chosen?.loanId }"
          @click="choose(line)"
        >
          <p class="serif kit text-20px lh-24px">{{ line.kitName }} <KitTag :code="line.kitCode" /></p>
          <p>
            {{ line.borrower }}
            <span class="quiet">{{
              t('loanIssued', {
                loanCode: line.loanCode,
                issuedAtUtc: dayText(line.issuedAtUtc, session.zoneOf(line.branchId)),
              })
            }}</span>
          </p>
          <p class="quiet">
            {{ t('stepsSteps', { steps: line.steps }) }}<br />
            <template v-if="line.linkEndsUtc">{{
              t('linkEnds', { linkEndsUtc: dayText(line.linkEndsUtc, session.zoneOf(line.branchId)) })
            }}</template>
            <ElButton
              v-else-if="session.may(line.branchId, 'coordinator', 'volunteer')"
              link
              :disabled="sending"
              @click.stop="newLink(line.loanId)"
              >{{ t('makeItsLinkAndSlip') }}</ElButton
            >
            <template v-else>{{ t('noLinkMade') }}</template>
          </p>
          <RouterLink :to="`/guides/${line.loanId}`" class="button">{{ t('lookAtIt') }}</RouterLink>
        </li>
      </ul>
    </div>
    <aside
      v-if="chosen"
      class="beside py-18px px-20px"
      :aria-label="t('asItsBorrowerSeesIt', { kitName: chosen.kitName })"
    >
      <PhoneFrame v-if="guide && guide.kitCode === chosen.kitCode" :key="chosen.loanId" :guide="guide" />
    </aside>
  </main>
</template>

<style scoped>
.with-preview {
  grid-template-columns: minmax(0, 1fr) 430px;
}
</style>
