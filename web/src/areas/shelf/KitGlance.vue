<script setup lang="ts">
import type { ShelfKit } from '@binoculum/contract'
import { kindWords, lookSentence, reasonSentence } from '@binoculum/core'
import { computed } from 'vue'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ScaleBar from '../../shared/drawings/ScaleBar.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import ReasonText from '../../shared/ReasonText.vue'
import { dayText, whenText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import { readingText } from '../../shared/reading-text.ts'
import { sourceWords } from './shelf-groups.ts'
import { waysOf } from './use-kit-keys.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('kitGlance')

/** The chosen kit beside the list: what to do next, its readings, and the ways on. */
const { kit, onSheet = false } = defineProps<{
  kit: ShelfKit
  /** Beside the kit's own sheet, which names it already. */
  onSheet?: boolean
}>()
const session = useSession()

const mayAct = computed(() => session.may(kit.branchId, 'coordinator', 'volunteer'))
const ways = computed(() => waysOf(kit, mayAct.value))
const isLendable = computed(() => kit.condition === 'full' || kit.condition === 'half')
const otherReasons = computed(() => kit.reasons.slice(1))
const figures = computed(() => kit.readings.filter(({ unit }) => unit !== 'judged'))
/** What isn't fine stands by itself; the rest is one line. */
const notFine = computed(() => kit.readings.filter(({ unit, asLeft, limit }) => unit === 'judged' && asLeft > limit))
const fine = computed(() => kit.readings.filter(({ unit, asLeft, limit }) => unit === 'judged' && asLeft <= limit))
const lastCheck = computed(() =>
  kit.readings
    .map(({ atUtc }) => atUtc)
    .sort()
    .at(-1),
)
const lastBy = computed(() => kit.readings.find(({ atUtc }) => atUtc === lastCheck.value)?.by)
const code = computed(() => encodeURIComponent(kit.code))
</script>

<template>
  <aside class="glance flex flex-col gap-12px py-18px px-20px" :aria-label="kit.name">
    <header class="grid grid-cols-[66px_minmax(0,1fr)] gap-12px items-center">
      <ConditionMoon :condition="kit.condition" :size="62" />
      <div>
        <template v-if="!onSheet">
          <p class="serif clip name text-34px lh-40px overflow-hidden text-ellipsis">{{ kit.name }}</p>
          <p><KitTag :code="kit.code" /></p>
        </template>
        <p class="quiet">{{ kit.modelName }}</p>
      </div>
    </header>
    <p class="sentence text-16px lh-23px">
      <ReasonText :condition="kit.condition" :reasons="kit.reasons" :out="!!kit.loan" remedy />
    </p>
    <p v-if="kit.look" class="brass">{{ lookSentence(kit.look) }}</p>
    <p v-if="kit.loan">
      {{
        t('outToLoanDue', {
          borrower: kit.loan.borrower,
          code: kit.loan.code,
          dueAtUtc: whenText(kit.loan.dueAtUtc, session.zoneOf(kit.branchId)),
        })
      }}
    </p>
    <p v-else-if="kit.next">
      {{
        t('promisedTo', {
          borrower: kit.next.borrower,
          atUtc: whenText(kit.next.atUtc, session.zoneOf(kit.branchId)),
        })
      }}
    </p>
    <ul v-if="otherReasons.length > 0" class="m-0 pl-18px text-14px">
      <li v-for="(reason, index) in otherReasons" :key="index">{{ reasonSentence(reason) }}</li>
    </ul>
    <div v-if="mayAct && kit.group !== 'gone'" class="flex flex-wrap gap-10px">
      <RouterLink v-if="ways.takeBack" :to="`/desk/take-back/${kit.loan?.id}`" class="button main"
        >{{ t('takeBack') }} <KeyCap name="t"
      /></RouterLink>
      <RouterLink
        v-if="ways.handOut"
        :to="`/desk/hand-out/${code}`"
        :class="['button', { main: isLendable, last: !isLendable }]"
        >{{ t('handOut') }} <KeyCap name="h"
      /></RouterLink>
      <RouterLink
        v-if="ways.check"
        :to="`/bench/${code}`"
        :class="['button', { main: !isLendable && !ways.goThrough }]"
        >{{ isLendable ? t('check') : t('toTheBench') }} <KeyCap name="c"
      /></RouterLink>
    </div>
    <section class="pt-12px line-t-rule">
      <h2>
        {{ t('measured') }}
        <em v-if="lastCheck">{{ dayText(lastCheck, session.zoneOf(kit.branchId)) }}, {{ lastBy }}</em>
      </h2>
      <p v-if="kit.readings.length === 0" class="quiet">{{ t('nothingYetABenchCheck') }}</p>
      <dl v-else class="grid grid-cols-[98px_minmax(0,1fr)] gap-y-7px gap-x-8px mx-0 mt-8px mb-0">
        <template v-for="reading in figures" :key="reading.kind">
          <dt>
            <RouterLink :to="`/logbook/${code}`" :title="t('howItWentWithThis')">{{
              kindWords[reading.kind]
            }}</RouterLink>
          </dt>
          <dd class="grid grid-cols-[61px_66px_1fr] items-center m-0">
            <b>{{ readingText(reading) }}</b>
            <ScaleBar
              :value="reading.asLeft"
              :limit="reading.limit"
              :good="reading.good"
              :width="56"
              :label="t('limitLimit', { limit: reading.limit.toFixed(1) })"
            />
            <span class="second whitespace-nowrap text-right">{{ sourceWords[reading.source] }}</span>
          </dd>
        </template>
        <template v-for="reading in notFine" :key="reading.kind">
          <dt>{{ kindWords[reading.kind] }}</dt>
          <dd class="grid grid-cols-[61px_66px_1fr] items-center m-0">
            <b class="rust">{{ readingText(reading) }}</b><span class="second last whitespace-nowrap text-right">{{
              sourceWords[reading.source]
            }}</span>
          </dd>
        </template>
        <template v-if="fine.length > 0">
          <dt>{{ t('fine') }}</dt>
          <dd class="grid items-center m-0 grid-cols-[minmax(0,1fr)]">
            {{ fine.map(({ kind }) => kindWords[kind]).join(', ') }}
          </dd>
        </template>
      </dl>
    </section>
    <slot />
    <p class="ways flex gap-20px mt-auto">
      <RouterLink v-if="!onSheet" :to="`/kits/${code}`">{{ t('wholeSheet') }}</RouterLink>
      <RouterLink :to="`/logbook/${code}`">{{ t('itsStory') }}</RouterLink>
      <RouterLink v-if="kit.loan" :to="`/guides/${kit.loan.id}`">{{ t('itsBorrowersGuide') }}</RouterLink>
      <RouterLink v-if="kit.loan && mayAct" :to="`/desk/loans/${kit.loan.id}`">{{ t('itsLoan') }}</RouterLink>
    </p>
  </aside>
</template>

<style scoped>
dd .last {
  grid-column: 3;
}
</style>
