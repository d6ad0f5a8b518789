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
import {
  dateText,
  families,
  hazardRoles,
  isHazardRole,
  massText,
  moneyText,
  reasonSentence,
  type HazardCode,
  type Mark,
} from '@binoculum/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText, hourText, whenText } from '../../shared/words.ts'
import { groupWords } from '../../shared/weigh-in/use-weigh-in.ts'
import { useSession } from '../people/session.ts'
import { recordPictures, recordSentence } from './history-words.ts'
import { differenceWords } from '../../shared/difference-words.ts'
import { changedSheet } from './changed-sheet.ts'
import KitDetailsForm from './KitDetailsForm.vue'
import KitGlance from './KitGlance.vue'
import LossForm from './LossForm.vue'
import { useKitKeys } from './use-kit-keys.ts'

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
const places = computed(() => {
  const byPlace = new Map<string, Part[]>()
  for (const part of kit.value?.parts ?? [])
    byPlace.set(part.place || 'no place', [...(byPlace.get(part.place || 'no place') ?? []), part])
  return [...byPlace]
})
const massG = computed(() => (kit.value?.parts ?? []).reduce((sum, part) => sum + (part.massG ?? 0) * part.count, 0))
const unseen = computed(() => kit.value?.parts.filter(({ mark }) => mark === 'unseen').length ?? 0)
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

const seenWords = (part: Part) =>
  part.mark !== 'unseen'
    ? ''
    : part.seenAtUtc
      ? `not looked at since ${dayText(part.seenAtUtc, kit.value?.zone ?? 'UTC')}`
      : 'never looked at yet'

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
  <main class="sheet">
    <div class="page">
      <ProblemNote :problem="problem" @retry="reload" />
      <template v-if="kit">
        <header>
          <h1>{{ kit.name }}</h1>
          <KitTag :code="kit.code" />
          <p class="quiet">{{ kit.branchName }} · {{ kit.place }}</p>
        </header>
        <nav class="ways" aria-label="Of this kit">
          <RouterLink :to="{ path: '/setup/labels', query: { kind: 'cards', kits: kit.code } }"
            >Contents card</RouterLink
          >
          <RouterLink :to="{ path: '/setup/labels', query: { kind: 'kits', kits: kit.code } }">Labels</RouterLink>
          <RouterLink :to="`/setup/models/${kit.modelId}`">Its model</RouterLink>
          <RouterLink v-if="mayAct" :to="`/kits/${encodeURIComponent(kit.code)}/weigh`">Weigh it complete</RouterLink>
          <RouterLink v-if="mayAct && kit.lastLoan" :to="`/desk/loans/${kit.lastLoan.id}`"
            >{{ kit.lastLoan.state === 'out' ? 'Its loan' : 'Its last loan' }} {{ kit.lastLoan.code }}</RouterLink
          >
          <button
            v-if="mayEnd"
            type="button"
            class="link-button"
            :aria-expanded="editsHere"
            @click="editsHere = !editsHere"
          >
            Rename, move, note
          </button>
          <button
            v-if="mayEnd && kit.group !== 'gone'"
            type="button"
            class="link-button"
            :aria-expanded="endsHere"
            @click="endsHere = !endsHere"
          >
            Lost, stolen, retired
          </button>
        </nav>
        <KitDetailsForm v-if="editsHere" :kit="kit" @done="detailsKept" @leave="editsHere = false" />
        <LossForm v-if="endsHere" :kit="kit" @done="((endsHere = false), reload())" />
        <ProblemNote :problem="refusal" @retry="reload" />
        <form v-if="mayEnd && kit.group === 'gone'" class="count" @submit.prevent="backInService">
          <p>
            It is on no list of kits to lend. Is it in the house again? Then its case is gone through and it is
            checked, before it goes out.
          </p>
          <input
            v-model="backReason"
            class="field"
            required
            minlength="3"
            maxlength="500"
            aria-label="Why it is back in service"
            placeholder="where it was found, or why it is used again"
          />
          <button class="button main" :disabled="sending">Back in service</button>
        </form>
        <section v-if="kit.extras.length > 0" class="extras" aria-label="Not on its card">
          <h2>In the case, not on its card</h2>
          <p v-for="extra in kit.extras" :key="extra.id">
            <strong>{{ extra.name }}</strong>{{ extra.count > 1 ? ` (${extra.count})` : '' }}
            <span class="quiet"
              >{{ extra.belongsTo ? `may belong to ${extra.belongsTo}` : 'nobody knows whose yet'
              }}{{ extra.note ? `; ${extra.note}` : '' }}</span
            >
            <button v-if="mayAct" type="button" class="button small" :disabled="sending" @click="settleExtra(extra)">
              Put where it belongs
            </button>
          </p>
        </section>

        <section v-for="hazard in hazards" :key="hazard" class="hazard">
          <p>
            <strong class="rust">Nobody may overrule this.</strong>
            {{ hazardReason(hazard) ? reasonSentence(hazardReason(hazard)!) : '' }}
          </p>
          <p v-if="hazard === 'wet' && dryAt" class="quiet">
            Open and out of the case until {{ whenText(dryAt, kit.zone) }} at least, before any cap goes on.
          </p>
          <form v-if="mayAct" @submit.prevent="cureHazard(hazard)">
            <input
              v-model="cure"
              class="field"
              required
              minlength="3"
              aria-label="What was done"
              placeholder="What was done, and by whom"
            />
            <button class="button main" :disabled="sending">Record the cure</button>
          </form>
        </section>

        <h2>Facts</h2>
        <dl class="facts">
          <dt>family</dt>
          <dd>{{ families[kit.family] }}</dd>
          <dt>aperture, focal length</dt>
          <dd>
            {{ kit.optics.apertureMm }} / {{ kit.optics.focalLengthMm }} mm, f/{{
              (kit.optics.focalLengthMm / kit.optics.apertureMm).toFixed(1)
            }}
          </dd>
          <template v-if="kit.details.owner">
            <dt>owner</dt>
            <dd>{{ kit.details.owner }}</dd>
          </template>
          <template v-if="kit.details.serialNumber">
            <dt>serial number</dt>
            <dd>{{ kit.details.serialNumber }}</dd>
          </template>
          <template v-if="kit.details.priceMinor !== null">
            <dt>price</dt>
            <dd>{{ moneyText(kit.details.priceMinor, kit.currency) }}</dd>
          </template>
          <template v-if="kit.details.note">
            <dt>note</dt>
            <dd>{{ kit.details.note }}</dd>
          </template>
          <dt>whole kit</dt>
          <dd>{{ massText(massG) }}, {{ kit.parts.length }} lines</dd>
          <dt>weighed complete</dt>
          <dd>
            <span v-for="(each, index) in kit.baselines" :key="each.group"
              >{{ index > 0 ? ', ' : '' }}{{ groupWords(each.group) }} {{ massText(each.measuredG) }}</span
            >
            <span v-if="kit.baselines.length === 0" class="quiet">never yet: small losses stay unseen</span>
          </dd>
          <dt>mirror</dt>
          <dd>{{ kit.optics.collimatable ? 'lined up at the bench' : 'judged on a star only' }}</dd>
          <template v-if="kit.optics.collimatable">
            <dt>may borrowers turn its screws?</dt>
            <dd>
              <select
                v-if="mayEnd"
                class="field"
                aria-label="May borrowers line it up?"
                :value="kit.policies.collimation"
                :disabled="sending"
                @change="setPolicy(($event.target as HTMLSelectElement).value)"
              >
                <option value="leave-it-to-us">leave it to us</option>
                <option value="with-help-sheet">with the help sheet</option>
              </select>
              <template v-else>{{
                kit.policies.collimation === 'leave-it-to-us' ? 'leave it to us' : 'with the help sheet'
              }}</template>
              <RouterLink v-if="kit.policies.collimation === 'with-help-sheet'" :to="`/guides/help-sheet/${kit.code}`"
                >Help sheet</RouterLink
              >
            </dd>
          </template>
        </dl>

        <template v-if="kit.differences.length > 0">
          <h2>Differs from its model</h2>
          <ul class="differs">
            <li v-for="(each, index) in kit.differences" :key="index">{{ differenceWords(each) }}</li>
          </ul>
        </template>

        <h2>In the case</h2>
        <p v-if="unseen > 0 && mayAct && !kit.loan" class="count">
          {{ unseen }} of {{ kit.parts.length }} parts are not looked at.
          <RouterLink
            v-if="kit.lastLoan?.state === 'back'"
            :to="`/desk/take-back/${kit.lastLoan.id}/correct`"
            class="button small main"
            >Go through it</RouterLink
          >
          Or mark here what is off, then
          <button type="button" class="button small" :disabled="sending" @click="countRest">
            all the rest is there
          </button>
          <span class="quiet">It stops at parts that need a look of their own.</span>
        </p>
        <div class="contents">
          <section v-for="[place, parts] in places" :key="place">
            <h3>{{ place }}</h3>
            <ul>
              <li v-for="part in parts" :key="part.id" :class="{ essential: part.criticality === 'essential' }">
                <PencilMark :mark="part.mark" />
                <span class="part">
                  {{ part.name }}
                  <span v-if="part.count > 1" class="second">{{
                    part.mark === 'missing' && part.presentCount > 0
                      ? `${part.presentCount} of ${part.count}`
                      : part.count
                  }}</span>
                  <span v-if="part.consumable" class="second"
                    >{{ part.consumable.pieces }} × {{ part.consumable.kind
                    }}{{ part.consumable.changedOn ? `, changed ${dateText(part.consumable.changedOn)}` : '' }}</span
                  >
                  <em v-if="seenWords(part)" class="quiet">{{ seenWords(part) }}</em>
                  <em v-if="part.wrongItem" class="brass">{{ part.wrongItem }} lies here</em>
                  <em v-if="part.note" class="rust">{{ part.note }}</em>
                  <a
                    v-for="(id, index) in part.pictureIds"
                    :key="id"
                    :href="`/api/pictures/${id}`"
                    target="_blank"
                    rel="noopener"
                    class="second"
                    >picture {{ index + 1 }}</a
                  >
                </span>
                <button
                  v-if="mayAct && !kit.loan && part.mark !== 'present' && !isHazardRole(part.role)"
                  type="button"
                  class="button small"
                  :disabled="sending"
                  @click="mark(part, 'present')"
                >
                  {{ part.mark === 'missing' ? 'Found' : part.mark === 'unseen' ? 'It is there' : 'Put right' }}
                </button>
                <span v-else-if="mayAct && !kit.loan && part.mark === 'present'" class="second off">
                  <button
                    v-if="spareFor(part)"
                    type="button"
                    class="link-button second"
                    :disabled="sending"
                    @click="toDrawer(part)"
                  >
                    to the drawer
                  </button>
                  <button type="button" class="link-button second" :disabled="sending" @click="mark(part, 'missing')">
                    missing
                  </button>
                </span>
                <span class="mass">{{ part.massG === null ? '–' : massText(part.massG) }}</span>
                <span class="mass">{{ part.costMinor === null ? '' : moneyText(part.costMinor, kit.currency) }}</span>
              </li>
            </ul>
          </section>
        </div>

        <h2>History</h2>
        <p v-if="kit.history.length === 0" class="quiet">Nothing is recorded yet.</p>
        <ol class="history">
          <li v-for="line in kit.history" :key="line.id">
            <span class="quiet">{{ dayText(line.atUtc, kit.zone) }}, {{ hourText(line.atUtc, kit.zone) }}</span>
            <span
              >{{ recordSentence(line) }}
              <a
                v-for="(id, index) in recordPictures(line)"
                :key="id"
                :href="`/api/pictures/${id}`"
                target="_blank"
                rel="noopener"
                >picture {{ index + 1 }}</a
              ></span
            >
            <span class="quiet">{{ line.by }}</span>
          </li>
        </ol>
      </template>
    </div>
    <div class="side"><KitGlance v-if="kit" :kit="kit" /></div>
  </main>
</template>

<style scoped>
.sheet {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 332px;
}

.side > * {
  position: sticky;
  top: 48px;
  min-height: calc(100vh - 48px);
  border-left: 1px solid var(--rule);
  background: var(--card);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}

h2 {
  margin: 22px 0 8px;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--rule-strong);
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin: 8px 0;
}

.differs {
  columns: 2;
  font-size: 14px;
}

.facts {
  display: grid;
  grid-template-columns: max-content 1fr max-content 1fr;
  gap: 4px 18px;
  margin: 0;
}

dt {
  color: var(--quiet);
}

dd {
  margin: 0;
}

.contents {
  columns: 2;
  column-gap: 32px;
}

.contents section {
  break-inside: avoid;
}

h3 {
  color: var(--night);
}

ul,
ol {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}

.contents li {
  display: grid;
  position: relative;
  grid-template-columns: 22px minmax(0, 1fr) auto 56px 62px;
  gap: 6px;
  align-items: center;
  min-height: 28px;
  border-bottom: 1px solid var(--rule);
  font-size: 14px;
}

.essential .part {
  font-weight: 640;
}

.mass {
  grid-column: 4;
  color: var(--quiet);
  font-size: 13px;
  text-align: right;
}

.mass + .mass {
  grid-column: 5;
}

.button.small {
  grid-column: 3;
  min-height: 24px;
  padding: 0 8px;
  font-size: 13px;
}

.off {
  display: flex;
  gap: 12px;
  position: absolute;
  right: 0;
  padding: 3px 0 3px 10px;
  background: var(--paper);
  opacity: 0;
}

li:hover .off,
.off:focus-within {
  opacity: 1;
}

.count {
  margin-bottom: 8px;
}

.hazard {
  display: grid;
  gap: 8px;
  margin-top: 12px;
  padding: 12px 14px;
  border: 1px solid var(--rust);
  border-radius: 4px;
  background: var(--card);
}

.hazard form {
  display: flex;
  gap: 8px;
}

.history li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) 120px;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 14px;
}

@media (max-width: 1100px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
  }

  .contents {
    columns: 1;
  }
}
</style>
