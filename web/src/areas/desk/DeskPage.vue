<script setup lang="ts">
import { deskSchema } from '@binoculum/contract'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import ReasonText from '../../shared/ReasonText.vue'
import { useSession } from '../people/session.ts'
import DeskTabs from './DeskTabs.vue'
import { dayText, lateText, whenText } from '../../shared/dates.ts'
import { deskWords } from './words.ts'

const t = deskWords('deskPage')

const session = useSession()
const { data: desk, problem, reload } = useLoaded(deskSchema, '/api/desk')

const mayAct = (branchId: string) => session.may(branchId, 'coordinator', 'volunteer')
</script>

<template>
  <main class="page">
    <DeskTabs />
    <h1>{{ t('theDesk') }}</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <div
      v-if="desk"
      class="columns grid grid-cols-[repeat(auto-fit,minmax(min(440px,100%),1fr))] gap-y-8px gap-x-40px mt-8px"
    >
      <section>
        <h2 class="mx-0 mt-14px mb-6px pb-3px line-b-rule-strong">
          {{ t('comingBack') }} <em>{{ t('lateOnesFirst') }}</em>
        </h2>
        <p v-if="desk.takeBacks.length === 0" class="quiet">{{ t('nothingIsDueBackToday') }}</p>
        <ul class="m-0 p-0 list-none">
          <li
            v-for="loan in desk.takeBacks"
            :key="loan.id"
            class="grid grid-cols-[minmax(0,1fr)_150px_auto] gap-12px items-center py-8px px-0 line-b-rule max-[560px]:grid-cols-[minmax(0,1fr)_auto]"
          >
            <div>
              <p class="serif kit text-20px lh-24px">{{ loan.kitName }} <KitTag :code="loan.kitCode" /></p>
              <p class="second">
                {{ t('modelNameLoan', { modelName: loan.modelName })
                }}<span class="whitespace-nowrap">{{ loan.code }}</span>
              </p>
            </div>
            <div>
              <p>{{ loan.borrower }}</p>
              <p :class="loan.daysLate > 0 ? 'rust' : 'quiet'">
                {{
                  loan.daysLate > 0 ? lateText(loan.daysLate) : whenText(loan.atUtc, session.zoneOf(loan.branchId))
                }}
              </p>
            </div>
            <RouterLink v-if="mayAct(loan.branchId)" :to="`/desk/take-back/${loan.id}`" class="button main">{{
              t('takeBack')
            }}</RouterLink>
          </li>
        </ul>
        <template v-if="desk.toGoThrough.length > 0">
          <h2 class="mx-0 mt-14px mb-6px pb-3px line-b-rule-strong">
            {{ t('toBeGoneThrough') }} <em>{{ t('theyMayNotGoOut') }}</em>
          </h2>
          <ul class="m-0 p-0 list-none">
            <li
              v-for="kit in desk.toGoThrough"
              :key="kit.loanId"
              class="grid grid-cols-[minmax(0,1fr)_150px_auto] gap-12px items-center py-8px px-0 line-b-rule max-[560px]:grid-cols-[minmax(0,1fr)_auto]"
            >
              <div>
                <p class="serif kit text-20px lh-24px">{{ kit.kitName }} <KitTag :code="kit.kitCode" /></p>
                <p class="second">{{ kit.modelName }}</p>
              </div>
              <div>
                <p>{{ t('ofNotLookedAt', { unseen: kit.unseen, parts: kit.parts }) }}</p>
                <p class="quiet">
                  {{ t('cameBack', { backAtUtc: dayText(kit.backAtUtc, session.zoneOf(kit.branchId)) }) }}
                </p>
              </div>
              <RouterLink
                v-if="mayAct(kit.branchId)"
                :to="`/desk/take-back/${kit.loanId}/correct`"
                class="button main"
                >{{ t('goThroughIt') }}</RouterLink
              >
            </li>
          </ul>
        </template>
        <h2 class="mx-0 mt-14px mb-6px pb-3px line-b-rule-strong">
          {{ t('outLonger') }} <em>{{ t('ifOneComesEarly') }}</em>
        </h2>
        <p v-if="desk.outLater.length === 0" class="quiet">{{ t('noOtherKitIsOut') }}</p>
        <ul class="m-0 p-0 list-none">
          <li
            v-for="loan in desk.outLater"
            :key="loan.id"
            class="grid grid-cols-[minmax(0,1fr)_150px_auto] gap-12px items-center py-8px px-0 line-b-rule max-[560px]:grid-cols-[minmax(0,1fr)_auto]"
          >
            <div>
              <p class="serif kit text-20px lh-24px">{{ loan.kitName }} <KitTag :code="loan.kitCode" /></p>
              <p class="second">{{ loan.modelName }}</p>
            </div>
            <div>
              <p>{{ loan.borrower }}</p>
              <p class="quiet">{{ whenText(loan.atUtc, session.zoneOf(loan.branchId)) }}</p>
            </div>
            <RouterLink v-if="mayAct(loan.branchId)" :to="`/desk/take-back/${loan.id}`" class="button">{{
              t('takeBack')
            }}</RouterLink>
          </li>
        </ul>
      </section>
      <section>
        <h2 class="mx-0 mt-14px mb-6px pb-3px line-b-rule-strong">
          {{ t('goingOut') }} <em>{{ t('promisedForToday') }}</em>
        </h2>
        <p v-if="desk.handOuts.length === 0" class="quiet">{{ t('noHandOutIsPromised') }}</p>
        <ul class="m-0 p-0 list-none">
          <li
            v-for="loan in desk.handOuts"
            :key="loan.id"
            class="grid grid-cols-[minmax(0,1fr)_150px_auto] gap-12px items-center py-8px px-0 line-b-rule max-[560px]:grid-cols-[minmax(0,1fr)_auto]"
          >
            <div>
              <p class="serif kit text-20px lh-24px">{{ loan.kitName }} <KitTag :code="loan.kitCode" /></p>
              <p class="second"><ReasonText :condition="loan.condition" :reasons="loan.reasons" /></p>
            </div>
            <div>
              <p>{{ loan.borrower }}</p>
              <p class="quiet">{{ whenText(loan.atUtc, session.zoneOf(loan.branchId)) }}</p>
            </div>
            <RouterLink
              v-if="mayAct(loan.branchId)"
              :to="`/desk/hand-out/${encodeURIComponent(loan.kitCode)}`"
              class="button main"
              >{{ t('handOut') }}</RouterLink
            >
          </li>
        </ul>
        <h2 class="mx-0 mt-14px mb-6px pb-3px line-b-rule-strong">
          {{ t('somebodyAtTheCounter') }} <em>{{ t('theseMayGoOutNow') }}</em>
        </h2>
        <p v-if="desk.lendable.length === 0" class="quiet">
          {{ t('noKitOnTheShelf') }}
        </p>
        <ul class="walk-in m-0 p-0 list-none">
          <li
            v-for="kit in desk.lendable"
            :key="kit.id"
            class="grid grid-cols-[24px_minmax(0,1fr)_auto] gap-12px items-center py-8px px-0 line-b-rule"
          >
            <ConditionMoon :condition="kit.condition" :size="20" />
            <div>
              <p class="serif kit text-20px lh-24px">{{ kit.name }} <KitTag :code="kit.code" /></p>
              <p class="second">
                {{ kit.modelName
                }}{{
                  kit.nextUtc
                    ? t('wantedNextUtc', { nextUtc: whenText(kit.nextUtc, session.zoneOf(kit.branchId)) })
                    : ''
                }}
              </p>
            </div>
            <RouterLink :to="`/desk/hand-out/${encodeURIComponent(kit.code)}`" class="button">{{
              t('handOut')
            }}</RouterLink>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
@media (width <= 560px) {
  li > :nth-child(2) {
    grid-row: 2;
    grid-column: 1 / -1;
  }

  .walk-in li > :nth-child(2) {
    grid-row: auto;
    grid-column: auto;
  }

  .walk-in li > :nth-child(3) {
    grid-column: 2;
    justify-self: start;
  }
}
</style>
