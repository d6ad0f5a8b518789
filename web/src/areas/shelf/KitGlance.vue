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
  <aside class="glance" :aria-label="kit.name">
    <header>
      <ConditionMoon :condition="kit.condition" :size="62" />
      <div>
        <template v-if="!onSheet">
          <p class="serif clip name">{{ kit.name }}</p>
          <p><KitTag :code="kit.code" /></p>
        </template>
        <p class="quiet">{{ kit.modelName }}</p>
      </div>
    </header>
    <p class="sentence"><ReasonText :condition="kit.condition" :reasons="kit.reasons" :out="!!kit.loan" remedy /></p>
    <p v-if="kit.look" class="brass">{{ lookSentence(kit.look) }}</p>
    <p v-if="kit.loan">
      Out to {{ kit.loan.borrower }}, loan {{ kit.loan.code }}, due
      {{ whenText(kit.loan.dueAtUtc, session.zoneOf(kit.branchId)) }}.
    </p>
    <p v-else-if="kit.next">
      Promised to {{ kit.next.borrower }}, {{ whenText(kit.next.atUtc, session.zoneOf(kit.branchId)) }}.
    </p>
    <ul v-if="otherReasons.length > 0" class="reasons">
      <li v-for="(reason, index) in otherReasons" :key="index">{{ reasonSentence(reason) }}</li>
    </ul>
    <div v-if="mayAct && kit.group !== 'gone'" class="actions">
      <RouterLink v-if="ways.takeBack" :to="`/desk/take-back/${kit.loan?.id}`" class="button main"
        >Take back <KeyCap name="t"
      /></RouterLink>
      <RouterLink
        v-if="ways.handOut"
        :to="`/desk/hand-out/${code}`"
        :class="['button', { main: isLendable, last: !isLendable }]"
        >Hand out <KeyCap name="h"
      /></RouterLink>
      <RouterLink
        v-if="ways.check"
        :to="`/bench/${code}`"
        :class="['button', { main: !isLendable && !ways.goThrough }]"
        >{{ isLendable ? 'Check' : 'To the bench' }} <KeyCap name="c"
      /></RouterLink>
    </div>
    <section>
      <h2>
        Measured
        <em v-if="lastCheck">{{ dayText(lastCheck, session.zoneOf(kit.branchId)) }}, {{ lastBy }}</em>
      </h2>
      <p v-if="kit.readings.length === 0" class="quiet">Nothing yet. A bench check takes about twenty minutes.</p>
      <dl v-else class="readings">
        <template v-for="reading in figures" :key="reading.kind">
          <dt>
            <RouterLink :to="`/logbook/${code}`" title="how it went with this figure">{{
              kindWords[reading.kind]
            }}</RouterLink>
          </dt>
          <dd>
            <b>{{ readingText(reading) }}</b>
            <ScaleBar
              :value="reading.asLeft"
              :limit="reading.limit"
              :good="reading.good"
              :width="56"
              :label="`limit ${reading.limit.toFixed(1)}`"
            />
            <span class="second">{{ sourceWords[reading.source] }}</span>
          </dd>
        </template>
        <template v-for="reading in notFine" :key="reading.kind">
          <dt>{{ kindWords[reading.kind] }}</dt>
          <dd>
            <b class="rust">{{ readingText(reading) }}</b><span class="second last">{{
              sourceWords[reading.source]
            }}</span>
          </dd>
        </template>
        <template v-if="fine.length > 0">
          <dt>fine</dt>
          <dd class="all">{{ fine.map(({ kind }) => kindWords[kind]).join(', ') }}</dd>
        </template>
      </dl>
    </section>
    <slot />
    <p class="ways">
      <RouterLink v-if="!onSheet" :to="`/kits/${code}`">Whole sheet</RouterLink>
      <RouterLink :to="`/logbook/${code}`">Its story</RouterLink>
      <RouterLink v-if="kit.loan" :to="`/guides/${kit.loan.id}`">Its borrower’s guide</RouterLink>
      <RouterLink v-if="kit.loan && mayAct" :to="`/desk/loans/${kit.loan.id}`">Its loan</RouterLink>
    </p>
  </aside>
</template>

<style scoped>
.glance {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 18px 20px;
}

header {
  display: grid;
  grid-template-columns: 66px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}

.name {
  font-size: 34px;
  line-height: 40px;
  overflow: hidden;
  text-overflow: ellipsis;
}

.sentence {
  font-size: 16px;
  line-height: 23px;
}

.reasons {
  margin: 0;
  padding-left: 18px;
  font-size: 14px;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

section {
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}

.readings {
  display: grid;
  grid-template-columns: 106px 1fr;
  gap: 7px 8px;
  margin: 8px 0 0;
}

dd {
  display: grid;
  grid-template-columns: 61px 66px 1fr;
  align-items: center;
  margin: 0;
}

dd .last {
  grid-column: 3;
}

dd .second {
  white-space: nowrap;
  text-align: right;
}

.ways {
  display: flex;
  gap: 20px;
  margin-top: auto;
}

.all {
  grid-template-columns: minmax(0, 1fr);
}
</style>
