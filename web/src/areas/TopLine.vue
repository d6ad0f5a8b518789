<script setup lang="ts">
import { deskSchema, foundSchema, type DeskLoan, type Found } from '@binoculum/contract'
import { refDebounced, useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiError } from '../shared/api/client.ts'
import { useLoaded } from '../shared/api/use-loaded.ts'
import KitTag from '../shared/drawings/KitTag.vue'
import CameraScan from '../shared/devices/CameraScan.vue'
import KeyCap from '../shared/keys/KeyCap.vue'
import { useKeys } from '../shared/keys/use-keys.ts'
import { dayText, hourText, lateText, whenText } from '../shared/dates.ts'
import { useSession } from './people/session.ts'
import { frameWords } from './words.ts'

const t = frameWords('topLine')

const MINUTE_MS = 60_000
const WAIT_FOR_TYPING_MS = 150

const router = useRouter()
const route = useRoute()
const session = useSession()
const box = useTemplateRef('box')
const text = ref('')
const seesCamera = ref(false)
const now = ref(new Date())
const { data: desk, reload } = useLoaded(deskSchema, '/api/desk')

useIntervalFn(() => {
  now.value = new Date()
  void reload()
}, MINUTE_MS)
watch(
  () => route.path,
  () => {
    // A scan opens a page from wherever the focus is: keys belong to that page then, not to this box.
    text.value = ''
    box.value?.blur()
    void reload()
  },
)

const due = computed(() => {
  const { handOuts = [], takeBacks = [] } = desk.value ?? {}
  return [
    ...takeBacks
      .filter(({ daysLate }) => daysLate > 0)
      .map((loan) => ({ ...loan, words: `${loan.kitName} ${lateText(loan.daysLate)}`, late: true })),
    ...takeBacks
      .filter(({ daysLate }) => daysLate === 0)
      .map((loan) => ({
        ...loan,
        words: t('kitNameBack', {
          kitName: loan.kitName,
          atUtc: whenText(loan.atUtc, session.zoneOf(loan.branchId), now.value),
        }),
        late: false,
      })),
    ...handOuts.map((loan) => ({
      ...loan,
      words: t('kitNameOut', {
        kitName: loan.kitName,
        atUtc: whenText(loan.atUtc, session.zoneOf(loan.branchId), now.value),
      }),
      late: false,
    })),
  ].slice(0, 3)
})

/** Where it leads this person: to the act where they may do it, else to the kit. */
const wayOfDue = (loan: DeskLoan) => {
  const kit = encodeURIComponent(loan.kitCode)
  if (!session.may(loan.branchId, 'coordinator', 'volunteer')) return `/kits/${kit}`
  return loan.state === 'out' ? `/desk/take-back/${loan.id}` : `/desk/hand-out/${kit}`
}

const settled = refDebounced(text, WAIT_FOR_TYPING_MS)
const isOpen = ref(false)
const findPath = (words: string) =>
  words.trim() === '' ? null : `/api/find?text=${encodeURIComponent(words.trim())}`
const { data: found } = useLoaded(foundSchema, () => findPath(settled.value))
watch(text, () => {
  isOpen.value = text.value.trim() !== ''
  marked.value = -1
})

const wayOf = ({ kind, id }: Found['others'][number]) =>
  ({
    ...{ model: `/setup/models/${id}`, place: `/setup/places/${id}/landmarks`, borrower: `/desk/borrowers/${id}` },
    ...{ note: kitWay(id), guide: `/guides/texts/${encodeURIComponent(id)}` },
  })[kind]
const kitWay = (code: string) => `/kits/${encodeURIComponent(code)}`

interface Line {
  readonly key: string
  readonly way: string
  /** Of a kit, whose tag stands beside its name. */
  readonly kitCode?: string
  readonly name: string
  readonly detail: string
}
/** What is found, in the order it is shown; the arrows go along it and Enter opens what is marked. */
const lines = computed((): readonly Line[] => {
  const { kits = [], loans = [], others = [], parts = [] } = found.value ?? {}
  return [
    ...kits.map(({ code, name, modelName }) => ({
      ...{ key: `kit ${code}`, way: kitWay(code), kitCode: code, name, detail: modelName },
    })),
    ...loans.map(({ id, code, kitCode, branchId, borrower, state }) => ({
      ...{ key: id, name: borrower, detail: t('loanCode', { code, state, kitCode }) },
      way: session.may(branchId, 'coordinator', 'volunteer') ? `/desk/loans/${id}` : kitWay(kitCode),
    })),
    ...others.map((other, index) => ({
      ...{ key: `${other.kind} ${index}`, way: wayOf(other), name: other.name },
      detail: [other.kind, ...(other.detail ? [other.detail] : [])].join(', '),
    })),
    ...parts.map(({ kitCode, kitName, part, mark }, index) => ({
      ...{
        key: `part ${index}`,
        way: kitWay(kitCode),
        name: part,
        detail: t('inKitName', { kitName, mark }),
      },
    })),
  ]
})
const marked = ref(-1)
function mark(step: number) {
  if (!isOpen.value || lines.value.length === 0) return
  marked.value =
    (marked.value + step + (marked.value < 0 && step < 0 ? 1 : 0) + lines.value.length) % lines.value.length
}
/** Enter opens a kit whose code was typed or scanned whole, else the first thing found. It asks for exactly what
 * stands in the box now: the list below may still be that of fewer letters. */
async function open() {
  const line = lines.value[marked.value]
  if (line) return go(line.way)
  const code = text.value.trim()
  const path = findPath(code)
  if (path === null) return
  const answer = await api.get(foundSchema, path).catch((error: unknown) => {
    if (error instanceof ApiError) return null
    throw error
  })
  // What is only written nearly so is chosen by whoever typed it, never opened by itself.
  if (!answer || answer.isNearly) return
  const kit = answer.kits.find((candidate) => candidate.code.toUpperCase() === code.toUpperCase()) ?? answer.kits[0]
  const target = kit?.code ?? answer.loans[0]?.kitCode ?? answer.parts[0]?.kitCode
  const [other] = answer.others
  if (target) await go(`/kits/${encodeURIComponent(target)}`)
  else if (other) await go(wayOf(other))
}

async function go(path: string) {
  text.value = ''
  box.value?.blur()
  await router.push(path)
}

async function signOut() {
  await session.signOut()
  await router.push('/sign-in')
}

useKeys(() => ({ '/': () => box.value?.focus() }))
useEventListener(document, 'click', (event) => {
  if (!(event.target as HTMLElement).closest('.find')) isOpen.value = false
})
const nothingFound = computed(() => found.value !== null && lines.value.length === 0)
</script>

<template>
  <header
    class="sticky top-0 z-20 flex gap-22px items-center h-48px pr-20px pl-24px py-0 line-b-rule bg-paper max-[760px]:gap-12px max-[760px]:py-0 max-[760px]:px-16px"
  >
    <form class="find" role="search" @submit.prevent="open">
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        <circle cx="8" cy="8" r="6.4" />
        <circle cx="8" cy="8" r="2" class="pupil" />
      </svg>
      <input
        ref="box"
        v-model="text"
        :aria-label="t('findAKitPartBorrower')"
        :placeholder="t('findAKitPartBorrower')"
        autocomplete="off"
        role="combobox"
        aria-controls="found"
        :aria-expanded="isOpen"
        :aria-activedescendant="marked < 0 ? undefined : `found-${marked}`"
        @keydown.down.prevent="mark(1)"
        @keydown.up.prevent="mark(-1)"
        @keydown.esc="((text = ''), box?.blur())"
      />
      <KeyCap name="/" />
      <button
        type="button"
        class="p-6px line-none bg-none cursor-pointer"
        :aria-label="t('scanALabelWithThe')"
        :title="t('scanALabelWithThe')"
        :aria-expanded="seesCamera"
        @click="seesCamera = !seesCamera"
      >
        <svg width="20" height="16" viewBox="0 0 20 16" aria-hidden="true">
          <path
            class="fill-none stroke-night stroke-1.4"
            d="M1 4V1H5M15 1H19V4M19 12V15H15M5 15H1V12M5 4V12M8 4V12M10 4V12M13 4V12M15 4V12"
          />
        </svg>
      </button>
      <div
        v-if="seesCamera"
        class="found absolute top-36px left-0 z-30 w-460px max-h-70vh p-6px overflow-auto line-rule-strong rd-4px bg-card"
      >
        <CameraScan @read="seesCamera = false" />
      </div>
      <div
        v-if="found && isOpen"
        id="found"
        class="found absolute top-36px left-0 z-30 w-460px max-h-70vh p-6px overflow-auto line-rule-strong rd-4px bg-card"
        role="listbox"
        :aria-label="t('found')"
      >
        <p v-if="nothingFound || found.isNearly" class="quiet">
          {{ t('nothingHereIsCalled', { text, nothingFound: nothingFound ? '.' : t('nearlySo') }) }}
        </p>
        <button
          v-for="(line, index) in lines"
          :id="`found-${index}`"
          :key="line.key"
          class="flex gap-8px items-baseline w-full min-h-34px py-5px px-8px line-none bg-none text-ink font-inherit text-left cursor-pointer"
          type="button"
          role="option"
          :aria-selected="marked === index"
          @click="go(line.way)"
        >
          <template v-if="line.kitCode"
            ><span class="serif text-18px">{{ line.name }}</span> <KitTag :code="line.kitCode"
          /></template>
          <template v-else>{{ line.name }}</template> <span class="second">{{ line.detail }}</span>
        </button>
      </div>
    </form>
    <p class="due flex-1 min-w-0 overflow-hidden text-14px text-ellipsis whitespace-nowrap max-[1000px]:hidden">
      <template v-if="due.length > 0">
        <strong class="mr-8px">{{ t('dueNow') }}</strong>
        <template v-for="(loan, index) in due" :key="loan.id">
          <span v-if="index > 0" class="quiet"> · </span>
          <RouterLink :to="wayOfDue(loan)" :class="{ late: loan.late }">{{ loan.words }}</RouterLink>
        </template>
      </template>
      <span v-else-if="desk" class="quiet">{{ t('nothingIsDueNow') }}</span>
    </p>
    <p class="flex gap-14px text-quiet text-14px whitespace-nowrap">
      <span class="max-[760px]:hidden"
        >{{ dayText(now.toISOString(), session.zoneOf()) }}, {{ hourText(now.toISOString(), session.zoneOf()) }}</span
      >
      <ElButton link :title="session.current?.email" @click="signOut">{{ t('signOut') }}</ElButton>
    </p>
  </header>
</template>

<style scoped src="../theme/top-line.css"></style>
