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
import { setupWords } from './words.ts'

const t = setupWords('drawerPage')

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
    done.value = t('isInNow', { count: count > 1 ? `${count} × ` : '', part: spare.name, kit: kit.name })
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
  massTrouble.value = parsed && !parsed.ok ? t('isNotAMassWrite', { mass }) : null
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
    <h1>{{ t('theSparesDrawer') }}</h1>
    <p class="quiet">
      {{ t('whatLiesHereAndWhich') }}
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" @retry="reload" />
    <p v-if="done" class="moss" role="status">{{ done }}</p>
    <p v-if="data && data.spares.length === 0" class="mt-14px">
      {{ t('theDrawerIsEmptyWrite') }}
    </p>
    <div v-if="data && data.spares.length > 0" class="mt-14px">
      <div
        class="row head grid grid-cols-[minmax(0,1.2fr)_116px_84px_84px_minmax(0,1.6fr)] gap-14px items-center min-h-44px py-4px px-0 line-b-rule max-[900px]:grid-cols-[minmax(0,1fr)_116px_60px_70px_minmax(0,1fr)] max-[900px]:gap-8px max-[560px]:grid-cols-[minmax(0,1fr)_116px]"
      >
        <em>{{ t('spare') }}</em><em>{{ t('there') }}</em
        ><em>{{ t('oneWeighs') }}</em
        ><em>{{ t('costs') }}</em
        ><em>{{ t('wantedBy') }}</em>
      </div>
      <div
        v-for="spare in data.spares"
        :key="spare.id"
        role="group"
        :aria-label="spare.name"
        class="row grid grid-cols-[minmax(0,1.2fr)_116px_84px_84px_minmax(0,1.6fr)] gap-14px items-center min-h-44px py-4px px-0 line-b-rule max-[900px]:grid-cols-[minmax(0,1fr)_116px_60px_70px_minmax(0,1fr)] max-[900px]:gap-8px max-[560px]:grid-cols-[minmax(0,1fr)_116px]"
      >
        <span>
          <b class="break-anywhere">{{ spare.name }}</b>
          <span class="second block">{{ detailOf(spare) }}</span>
        </span>
        <span class="flex gap-10px items-center">
          <ElButton
            v-if="session.may(spare.branchId, 'coordinator')"
            class="w-32px h-32px coarse:w-40px coarse:h-40px line-rule-strong rd-4px bg-card text-night [font:640_17px_var(--sans)] cursor-pointer"
            :aria-label="t('oneFewer', { name: spare.name })"
            :disabled="sending || spare.count === 0"
            @click="keep(spare, { count: spare.count - 1 })"
          >
            −
          </ElButton>
          <b class="break-anywhere min-w-26px text-center" :class="{ rust: spare.count === 0 }">{{ spare.count }}</b>
          <ElButton
            v-if="session.may(spare.branchId, 'coordinator')"
            class="w-32px h-32px coarse:w-40px coarse:h-40px line-rule-strong rd-4px bg-card text-night [font:640_17px_var(--sans)] cursor-pointer"
            :aria-label="t('oneMore', { name: spare.name })"
            :disabled="sending"
            @click="keep(spare, { count: spare.count + 1 })"
          >
            +
          </ElButton>
        </span>
        <span>{{ spare.massG === null ? '–' : massText(spare.massG) }}</span>
        <span>{{ spare.costMinor === null ? '–' : moneyText(spare.costMinor, spare.currency) }}</span>
        <span class="grid gap-4px">
          <span
            v-for="kit in spare.wantedBy"
            :key="kit.partId"
            role="group"
            :aria-label="kit.name"
            class="kit flex flex-wrap gap-8px items-center"
          >
            <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`" class="serif">{{ kit.name }}</RouterLink>
            <KitTag :code="kit.code" />
            <span class="second block">{{ t('lacksMissing', { missing: kit.missing }) }}</span>
            <ElButton
              class="ml-auto"
              :disabled="sending || spare.count === 0 || !session.may(spare.branchId, 'coordinator', 'volunteer')"
              @click="putIn(spare, kit)"
            >
              {{ t('putIn') }}
            </ElButton>
          </span>
          <span v-if="spare.wantedBy.length === 0" class="quiet">{{ t('noKit') }}</span>
        </span>
      </div>
    </div>
    <CsvButton v-if="data && data.spares.length > 0" :rows="spareTable" name="spares drawer" />
    <form
      v-if="data && branches.length > 0"
      class="grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-y-10px gap-x-14px items-end mt-26px"
      @submit.prevent="add"
    >
      <h2 class="col-span-full">{{ t('somethingNewInTheDrawer') }}</h2>
      <label class="labelled"
        ><span>{{ t('what') }}</span
        ><ElInput v-model="given.name" required maxlength="120"
      /></label>
      <label class="labelled">
        <span>{{ t('servesAs') }}</span>
        <ElSelect v-model="given.role" filterable :aria-label="t('servesAs')">
          <ElOption v-for="each in roleChoices" :key="each.role" :value="each.role" :label="each.words" />
        </ElSelect>
      </label>
      <label class="labelled"
        ><span>{{ t('howMany') }}</span
        ><ElInputNumber v-model="given.count" :min="0" :max="10000" :aria-label="t('howMany')"
      /></label>
      <label class="labelled"
        ><span>{{ t('oneWeighs') }}</span
        ><ElInput v-model="given.mass" :placeholder="t('gOz')"
      /></label>
      <label class="labelled"
        ><span>{{ t('note') }}</span
        ><ElInput v-model="given.note" maxlength="200"
      /></label>
      <label v-if="branches.length > 1" class="labelled">
        <span>{{ t('where') }}</span>
        <ElSelect v-model="given.branchId" :aria-label="t('where')">
          <ElOption
            v-for="branch in branches"
            :key="branch.branchId"
            :value="branch.branchId"
            :label="branch.branchName"
          />
        </ElSelect>
      </label>
      <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('putItInTheDrawer') }}</ElButton>
      <p v-if="massTrouble" class="rust col-span-full" role="alert">{{ massTrouble }}</p>
    </form>
  </main>
</template>

<style scoped>
.row.head {
  min-height: 0;
  border-color: var(--rule-strong);
}

@media (width <= 560px) {
  .row.head {
    display: none;
  }

  .row > :last-child {
    grid-column: 1 / -1;
  }
}
</style>
