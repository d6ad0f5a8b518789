<script setup lang="ts">
import {
  drawerSchema,
  kitChangeSchema,
  kitSheetSchema,
  movedSpareSchema,
  type ExtraPartView,
  type KitSheet,
  type Part,
  type Spare,
} from '@binoculum/contract'
import { hazardRoles, isHazardRole, reasonSentence, type HazardCode, type Mark } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { whenText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import { differenceWords } from '../../shared/difference-words.ts'
import { changedSheet } from './changed-sheet.ts'
import KitContents from './KitContents.vue'
import KitDetailsForm from './KitDetailsForm.vue'
import KitFacts from './KitFacts.vue'
import KitGlance from './KitGlance.vue'
import KitHistory from './KitHistory.vue'
import KnownWearDialog from './KnownWearDialog.vue'
import LossForm from './LossForm.vue'
import { useKitKeys } from './use-kit-keys.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('kitSheetPage')

const route = useRoute()
const router = useRouter()
const session = useSession()
const path = computed(() => `/api/kits/${encodeURIComponent(String(route.params.code))}`)
const { data: kit, problem, reload } = useLoaded(kitSheetSchema, path)
const { sending, problem: refusal, run } = useSending()
const { data: drawer } = useLoaded(drawerSchema, '/api/spares')
const cure = ref('')
const endsHere = ref(false)
const editsHere = ref(false)
/** A new code has a new address. */
async function detailsKept(now: KitSheet) {
  editsHere.value = false
  const before = kit.value?.code
  kit.value = now
  if (now.code !== before) await router.replace(`/kits/${encodeURIComponent(now.code)}`)
}

const mayAct = computed(() => !!kit.value && session.may(kit.value.branchId, 'coordinator', 'volunteer'))
const hazards = computed<HazardCode[]>(() => {
  const sheet = kit.value
  if (!sheet) return []
  const lying = sheet.parts.flatMap(({ role, mark }) =>
    isHazardRole(role) && mark !== 'missing' ? [hazardRoles[role]] : [],
  )
  return [...new Set<HazardCode>([...sheet.hazards, ...lying])]
})
const mayEnd = computed(() => !!kit.value && session.may(kit.value.branchId, 'coordinator'))
const dryAt = computed(() => kit.value?.jobs.find(({ code }) => code === 'drying')?.notBeforeUtc ?? null)
/** The drawer's row that takes in such a part. */
const spareFor = (part: Part): Spare | undefined =>
  drawer.value?.spares.find(({ role, branchId }) => role === part.role && branchId === kit.value?.branchId)
const hazardReason = (hazard: HazardCode) =>
  kit.value?.reasons.find(({ code, figures }) => code === 'HAZARD' && figures.hazard === hazard)

async function mark(part: Part, to: Mark) {
  const sheet = kit.value
  if (!sheet) return
  const target = `/api/kits/${sheet.id}/parts/${part.id}/mark`
  await run(async () => {
    const body = { kitVersion: sheet.version, mark: to, note: to === 'present' ? '' : part.note }
    kit.value = changedSheet(sheet, await api.post(kitChangeSchema, target, body))
  })
  if (refusal.value?.code === 'KIT_CHANGED') await reload()
}

const worn = ref<Part | null>(null)
async function noteWear(knownWear: string) {
  const [sheet, part] = [kit.value, worn.value]
  if (!sheet || !part) return
  const done = await run(async () => {
    const target = `/api/kits/${sheet.id}/parts/${part.id}/wear`
    kit.value = changedSheet(sheet, await api.post(kitChangeSchema, target, { kitVersion: sheet.version, knownWear }))
  })
  if (done) worn.value = null
  else if (refusal.value?.code === 'KIT_CHANGED') await reload()
}

async function toDrawer(part: Part) {
  const sheet = kit.value
  const spare = spareFor(part)
  if (!sheet || !spare) return
  await run(async (idempotencyKey) => {
    const body = { idempotencyKey, partId: part.id, kitVersion: sheet.version, count: 1, way: 'into-drawer' }
    kit.value = (await api.post(movedSpareSchema, `/api/spares/${spare.id}/move`, body)).kit
  })
}

async function settleExtra(extra: ExtraPartView) {
  const sheet = kit.value
  if (!sheet) return
  await run(async () => {
    const target = `/api/kits/${sheet.id}/extras/${extra.id}/settle`
    kit.value = await api.post(kitSheetSchema, target, { kitVersion: sheet.version })
  })
}

const backReason = ref('')
async function backInService() {
  const sheet = kit.value
  if (!sheet) return
  const done = await run(async () => {
    kit.value = await api.post(kitSheetSchema, `/api/kits/${sheet.id}/back-in-service`, {
      kitVersion: sheet.version,
      reason: backReason.value,
    })
  })
  if (done) backReason.value = ''
}

const { keys } = useKitKeys(kit)
useKeys(() => keys.value)

async function countRest() {
  const sheet = kit.value
  if (!sheet) return
  await run(async () => {
    const target = `/api/kits/${sheet.id}/count-rest`
    kit.value = changedSheet(sheet, await api.post(kitChangeSchema, target, { kitVersion: sheet.version }))
  })
}

async function setPolicy(policy: string) {
  const sheet = kit.value
  if (!sheet) return
  await run(async () => {
    const target = `/api/kits/${sheet.id}/collimation-policy`
    kit.value = await api.post(kitSheetSchema, target, { kitVersion: sheet.version, policy })
  })
}

async function cureHazard(hazard: HazardCode) {
  const sheet = kit.value
  if (!sheet) return
  const done = await run(async () => {
    kit.value = await api.post(kitSheetSchema, `/api/kits/${sheet.id}/cure`, {
      kitVersion: sheet.version,
      hazard,
      cure: cure.value,
    })
  })
  if (done) cure.value = ''
}
</script>

<template>
  <main
    class="sheet grid flex-1 grid-cols-[minmax(0,1fr)_332px] grid-rows-[auto_minmax(0,1fr)] max-[1100px]:grid-cols-[minmax(0,1fr)] max-[1100px]:grid-rows-none"
  >
    <div class="page pb-0">
      <ProblemNote :problem="problem" @retry="reload" />
      <header v-if="kit" class="flex flex-wrap gap-14px items-center">
        <h1>{{ kit.name }}</h1>
        <KitTag :code="kit.code" />
        <p class="quiet">{{ kit.branchName }} · {{ kit.place }}</p>
      </header>
    </div>
    <!-- What may be done with it comes before what lies in it, where both can’t stand side by side. -->
    <div class="side row-span-2 max-[1100px]:row-auto"><KitGlance v-if="kit" :kit="kit" on-sheet /></div>
    <div class="page pt-0">
      <template v-if="kit">
        <nav class="ways flex flex-wrap gap-y-4px gap-x-20px my-8px mx-0" :aria-label="t('ofThisKit')">
          <RouterLink :to="{ path: '/setup/labels', query: { kind: 'cards', kits: kit.code } }">{{
            t('contentsCard')
          }}</RouterLink>
          <RouterLink :to="{ path: '/setup/labels', query: { kind: 'kits', kits: kit.code } }">{{
            t('labels')
          }}</RouterLink>
          <RouterLink :to="`/setup/models/${kit.modelId}`">{{ t('itsModel') }}</RouterLink>
          <RouterLink v-if="mayAct" :to="`/setup/open-case/${encodeURIComponent(kit.code)}`">{{
            t('itsOpenCase')
          }}</RouterLink>
          <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}/packing`">{{ t('howItIsPacked') }}</RouterLink>
          <RouterLink v-if="mayAct" :to="`/kits/${encodeURIComponent(kit.code)}/weigh`">{{
            t('weighItComplete')
          }}</RouterLink>
          <RouterLink v-if="mayAct && kit.lastLoan" :to="`/desk/loans/${kit.lastLoan.id}`"
            >{{ kit.lastLoan.state === 'out' ? t('itsLoan') : t('itsLastLoan') }} {{ kit.lastLoan.code }}</RouterLink
          >
          <ElButton v-if="mayEnd" link :aria-expanded="editsHere" @click="editsHere = !editsHere">
            {{ t('renameMoveNote') }}
          </ElButton>
          <ElButton
            v-if="mayEnd && kit.group !== 'gone'"
            link
            :aria-expanded="endsHere"
            @click="endsHere = !endsHere"
          >
            {{ t('lostStolenRetired') }}
          </ElButton>
        </nav>
        <KitDetailsForm v-if="editsHere" :kit="kit" @done="detailsKept" @leave="editsHere = false" />
        <LossForm v-if="endsHere" :kit="kit" @done="((endsHere = false), reload())" />
        <ProblemNote :problem="refusal" @retry="reload" />
        <form v-if="mayEnd && kit.group === 'gone'" class="mb-8px" @submit.prevent="backInService">
          <p>
            {{ t('itIsOnNoList') }}
          </p>
          <ElInput
            v-model="backReason"
            required
            minlength="3"
            maxlength="500"
            :aria-label="t('whyItIsBackIn')"
            :placeholder="t('whereItWasFoundOr')"
          />
          <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('backInService') }}</ElButton>
        </form>
        <section v-if="kit.extras.length > 0" :aria-label="t('notOnItsCard')">
          <h2>{{ t('inTheCaseNotOn') }}</h2>
          <p v-for="extra in kit.extras" :key="extra.id">
            <strong>{{ extra.name }}</strong>{{ extra.count > 1 ? ` (${extra.count})` : '' }}
            <span class="quiet"
              >{{ extra.belongsTo ? t('mayBelongTo', { belongsTo: extra.belongsTo }) : t('nobodyKnowsWhoseYet')
              }}{{ extra.note ? `; ${extra.note}` : '' }}</span
            >
            <ElButton v-if="mayAct" size="small" :disabled="sending" @click="settleExtra(extra)">
              {{ t('putWhereItBelongs') }}
            </ElButton>
          </p>
        </section>

        <section
          v-for="hazard in hazards"
          :key="hazard"
          class="hazard grid gap-8px mt-12px py-12px px-14px line-rust rd-4px bg-card"
        >
          <p>
            <strong class="rust">{{ t('nobodyMayOverruleThis') }}</strong>
            {{ hazardReason(hazard) ? reasonSentence(hazardReason(hazard)!) : '' }}
          </p>
          <p v-if="hazard === 'wet' && dryAt" class="quiet">
            {{ t('openAndOutOfThe', { dryAt: whenText(dryAt, kit.zone) }) }}
          </p>
          <form v-if="mayAct" class="flex gap-8px" @submit.prevent="cureHazard(hazard)">
            <ElInput
              v-model="cure"
              required
              minlength="3"
              :aria-label="t('whatWasDone')"
              :placeholder="t('whatWasDoneAndBy')"
            />
            <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('recordTheCure') }}</ElButton>
          </form>
        </section>

        <KitFacts :kit="kit" :may-end="mayEnd" :sending="sending" @policy="setPolicy" />

        <template v-if="kit.differences.length > 0">
          <h2>{{ t('differsFromItsModel') }}</h2>
          <ul class="[columns:2] text-14px">
            <li v-for="(each, index) in kit.differences" :key="index">{{ differenceWords(each) }}</li>
          </ul>
        </template>

        <KitContents
          :kit="kit"
          :may-act="mayAct"
          :sending="sending"
          :spares="drawer?.spares ?? []"
          @mark="mark"
          @to-drawer="toDrawer"
          @wear="worn = $event"
          @count-rest="countRest"
        />

        <KnownWearDialog :part="worn" :sending="sending" @keep="noteWear" @close="worn = null" />

        <KitHistory :lines="kit.history" :zone="kit.zone" />
      </template>
    </div>
  </main>
</template>

<style scoped>
.side > * {
  position: sticky;
  top: 48px;
  min-height: calc(100vh - 48px);
  border-left: 1px solid var(--rule);
  background: var(--card);
}

@media (width <= 1100px) {
  .side > * {
    position: static;
    min-height: 0;
    margin-top: 12px;
    border-left: 0;
    border-block: 1px solid var(--rule);
  }
}

/* Headings of its parts too. */
.page :deep(h2) {
  margin: 22px 0 8px;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--rule-strong);
}
</style>
