<script setup lang="ts">
import { drawerSchema, kitSheetSchema, movedSpareSchema, type Spare } from '@binoculum/contract'
import { massText, moneyText, roleFacts, type Role } from '@binoculum/core'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import CsvButton from '../../shared/controls/CsvButton.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { typedMassG } from '../../shared/typed-mass.ts'
import { useSession } from '../people/session.ts'
import { roleChoices } from './models/model-draft.ts'
import SetupTabs from './SetupTabs.vue'

const session = useSession()
const { data, problem, reload } = useLoaded(drawerSchema, '/api/spares')
const { sending, problem: refusal, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const done = ref<string | null>(null)

const seesSeveral = computed(() => new Set(data.value?.spares.map(({ branchId }) => branchId)).size > 1)
const detailOf = ({ role, note, branchName }: Spare) =>
  [roleFacts(role).words, seesSeveral.value ? branchName : '', note].filter((each) => each !== '').join(' · ')

const spareTable = () =>
  (data.value?.spares ?? []).map(({ branchName, name, role, count, massG, costMinor, currency, note, wantedBy }) => ({
    ...{ branch: branchName, name, kind: roleFacts(role).words, count, 'mass g': massG },
    cost: costMinor === null ? null : moneyText(costMinor, currency),
    ...{ note, 'wanted by': wantedBy.map(({ code }) => code).join(' ') },
  }))

type Wanting = Spare['wantedBy'][number]

/** One act: the drawer has one fewer, the kit one more, and both are in the record. */
async function putIn(spare: Spare, kit: Wanting) {
  await run(async (idempotencyKey) => {
    const { version } = await api.get(kitSheetSchema, `/api/kits/${encodeURIComponent(kit.code)}`)
    const count = Math.min(kit.missing, spare.count)
    const body = { idempotencyKey, partId: kit.partId, kitVersion: version, count, way: 'into-kit' }
    data.value = (await api.post(movedSpareSchema, `/api/spares/${spare.id}/move`, body)).drawer
    done.value = `${count > 1 ? `${count} × ` : ''}${spare.name} is in ${kit.name} now.`
  })
}

async function keep(spare: Spare, change: Partial<Spare>) {
  const { id, branchId, name, role, count, massG, costMinor, note, version } = { ...spare, ...change }
  await run(async () => {
    data.value = await api.post(drawerSchema, `/api/spares/${id}`, {
      branchId,
      name,
      role,
      count,
      massG,
      costMinor,
      note,
      version,
    })
  })
}

const empty = { name: '', role: 'eyepiece-cap' as Role, count: 1, mass: '', note: '' }
const given = ref({ ...empty, branchId: branches.value[0]?.branchId ?? '' })
const massTrouble = ref<string | null>(null)

async function add() {
  const { mass, ...fields } = given.value
  const parsed = mass.trim() === '' ? null : typedMassG(mass)
  massTrouble.value = parsed && !parsed.ok ? `“${mass}” is not a mass; write for example 12 g.` : null
  if (parsed && !parsed.ok) return
  const went = await run(async () => {
    const body = { ...fields, massG: parsed?.value ?? null, costMinor: null, version: null }
    data.value = await api.post(drawerSchema, '/api/spares', body)
  })
  if (went) given.value = { ...empty, branchId: given.value.branchId, role: given.value.role }
}
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>The spares drawer</h1>
    <p class="quiet">
      What lies here, and which kits lack it now. Putting a piece in is one act, and it is recorded.
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" @retry="reload" />
    <p v-if="done" class="moss" role="status">{{ done }}</p>
    <p v-if="data && data.spares.length === 0" class="empty">
      The drawer is empty. Write in below what lies in yours: caps, cells, thumbscrews, an eyepiece that belongs to no
      kit.
    </p>
    <div v-if="data && data.spares.length > 0" class="rows">
      <div class="row head"><em>spare</em><em>there</em><em>one weighs</em><em>costs</em><em>wanted by</em></div>
      <div v-for="spare in data.spares" :key="spare.id" class="row">
        <span>
          <b>{{ spare.name }}</b>
          <span class="second">{{ detailOf(spare) }}</span>
        </span>
        <span class="count">
          <ElButton
            v-if="session.may(spare.branchId, 'coordinator')"
            class="step"
            :aria-label="`One ${spare.name} fewer`"
            :disabled="sending || spare.count === 0"
            @click="keep(spare, { count: spare.count - 1 })"
          >
            −
          </ElButton>
          <b :class="{ rust: spare.count === 0 }">{{ spare.count }}</b>
          <ElButton
            v-if="session.may(spare.branchId, 'coordinator')"
            class="step"
            :aria-label="`One ${spare.name} more`"
            :disabled="sending"
            @click="keep(spare, { count: spare.count + 1 })"
          >
            +
          </ElButton>
        </span>
        <span>{{ spare.massG === null ? '–' : massText(spare.massG) }}</span>
        <span>{{ spare.costMinor === null ? '–' : moneyText(spare.costMinor, spare.currency) }}</span>
        <span class="wanting">
          <span v-for="kit in spare.wantedBy" :key="kit.partId" class="kit">
            <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`" class="serif">{{ kit.name }}</RouterLink>
            <KitTag :code="kit.code" />
            <span class="second">lacks {{ kit.missing }}</span>
            <ElButton
              :disabled="sending || spare.count === 0 || !session.may(spare.branchId, 'coordinator', 'volunteer')"
              @click="putIn(spare, kit)"
            >
              Put in
            </ElButton>
          </span>
          <span v-if="spare.wantedBy.length === 0" class="quiet">no kit</span>
        </span>
      </div>
    </div>
    <CsvButton v-if="data && data.spares.length > 0" :rows="spareTable" name="spares drawer" />
    <form v-if="branches.length > 0" @submit.prevent="add">
      <h2>Something new in the drawer</h2>
      <label class="labelled"><span>what</span><ElInput v-model="given.name" required maxlength="120" /></label>
      <label class="labelled">
        <span>serves as</span>
        <ElSelect v-model="given.role" filterable aria-label="serves as">
          <ElOption v-for="each in roleChoices" :key="each.role" :value="each.role" :label="each.words" />
        </ElSelect>
      </label>
      <label class="labelled"
        ><span>how many</span><ElInputNumber v-model="given.count" :min="0" :max="10000" aria-label="how many"
      /></label>
      <label class="labelled"><span>one weighs</span><ElInput v-model="given.mass" placeholder="g, oz" /></label>
      <label class="labelled"><span>note</span><ElInput v-model="given.note" maxlength="200" /></label>
      <label v-if="branches.length > 1" class="labelled">
        <span>where</span>
        <ElSelect v-model="given.branchId" aria-label="where">
          <ElOption
            v-for="branch in branches"
            :key="branch.branchId"
            :value="branch.branchId"
            :label="branch.branchName"
          />
        </ElSelect>
      </label>
      <ElButton type="primary" native-type="submit" :disabled="sending">Put it in the drawer</ElButton>
      <p v-if="massTrouble" class="rust" role="alert">{{ massTrouble }}</p>
    </form>
  </main>
</template>

<style scoped>
.rows {
  margin-top: 14px;
}

.row {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 116px 84px 84px minmax(0, 1.6fr);
  gap: 14px;
  align-items: center;
  min-height: 44px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}

.row.head {
  min-height: 0;
  border-color: var(--rule-strong);
}

.row b {
  overflow-wrap: anywhere;
}

.row .second {
  display: block;
}

.count {
  display: flex;
  gap: 10px;
  align-items: center;
}

.count b {
  min-width: 26px;
  text-align: center;
}

.step {
  width: 32px;
  height: 32px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
  color: var(--night);
  font: 640 17px var(--sans);
  cursor: pointer;
}

@media (max-width: 900px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 116px 60px 70px minmax(0, 1fr);
    gap: 8px;
  }
}

@media (width <= 560px) {
  .row.head {
    display: none;
  }

  .row {
    grid-template-columns: minmax(0, 1fr) 116px;
  }

  .row > :last-child {
    grid-column: 1 / -1;
  }
}

@media (pointer: coarse) {
  .step {
    width: 40px;
    height: 40px;
  }
}

.wanting {
  display: grid;
  gap: 4px;
}

.kit {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.kit :is(.button, .el-button) {
  margin-left: auto;
}

.empty {
  margin-top: 14px;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px 14px;
  align-items: end;
  margin-top: 26px;
}

form h2,
form > p {
  grid-column: 1 / -1;
}
</style>
