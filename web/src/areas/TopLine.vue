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
import { dayText, hourText, lateText, ownZone, whenText } from '../shared/words.ts'
import { useSession } from './people/session.ts'

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
        words: `${loan.kitName} back ${whenText(loan.atUtc, ownZone, now.value)}`,
        late: false,
      })),
    ...handOuts.map((loan) => ({
      ...loan,
      words: `${loan.kitName} out ${whenText(loan.atUtc, ownZone, now.value)}`,
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
  ({ model: `/setup/models/${id}`, place: `/setup/places/${id}/landmarks`, borrower: `/desk/borrowers/${id}` })[kind]
/** What is found, in the order it is shown; the arrows go along it and Enter opens what is marked. */
const marked = ref(-1)
const ways = computed(() => [
  ...(found.value?.kits ?? []).map(({ code }) => `/kits/${encodeURIComponent(code)}`),
  ...(found.value?.loans ?? []).map(({ id, kitCode, branchId }) =>
    session.may(branchId, 'coordinator', 'volunteer') ? `/desk/loans/${id}` : `/kits/${encodeURIComponent(kitCode)}`,
  ),
  ...(found.value?.others ?? []).map(wayOf),
  ...(found.value?.parts ?? []).map(({ kitCode }) => `/kits/${encodeURIComponent(kitCode)}`),
])
function mark(step: number) {
  if (!isOpen.value || ways.value.length === 0) return
  marked.value =
    (marked.value + step + (marked.value < 0 && step < 0 ? 1 : 0) + ways.value.length) % ways.value.length
}
const groups = ['kits', 'loans', 'others', 'parts'] as const
const lineOf = (kind: (typeof groups)[number], index: number) =>
  groups.slice(0, groups.indexOf(kind)).reduce((line, group) => line + (found.value?.[group].length ?? 0), index)

/** Enter opens a kit whose code was typed or scanned whole, else the first thing found. It asks for exactly what
 * stands in the box now: the list below may still be that of fewer letters. */
async function open() {
  const way = ways.value[marked.value]
  if (way) return go(way)
  const code = text.value.trim()
  const path = findPath(code)
  if (path === null) return
  const answer = await api.get(foundSchema, path).catch((error: unknown) => {
    if (error instanceof ApiError) return null
    throw error
  })
  if (!answer) return
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
const nothingFound = computed(() => found.value && groups.every((group) => found.value?.[group].length === 0))
</script>

<template>
  <header class="top-line">
    <form class="find" role="search" @submit.prevent="open">
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        <circle cx="8" cy="8" r="6.4" />
        <circle cx="8" cy="8" r="2" class="pupil" />
      </svg>
      <input
        ref="box"
        v-model="text"
        aria-label="Find a kit, part, borrower or loan"
        placeholder="Find a kit, part, borrower or loan"
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
        class="lens"
        aria-label="Scan a label with the camera"
        title="Scan a label with the camera"
        :aria-expanded="seesCamera"
        @click="seesCamera = !seesCamera"
      >
        <svg width="20" height="16" viewBox="0 0 20 16" aria-hidden="true">
          <path d="M1 4V1H5M15 1H19V4M19 12V15H15M5 15H1V12M5 4V12M8 4V12M10 4V12M13 4V12M15 4V12" />
        </svg>
      </button>
      <div v-if="seesCamera" class="found"><CameraScan @read="seesCamera = false" /></div>
      <div v-if="found && isOpen" id="found" class="found" role="listbox" aria-label="Found">
        <p v-if="nothingFound || found.isNearly" class="quiet">
          Nothing here is called “{{ text }}”{{ nothingFound ? '.' : '; nearly so:' }}
        </p>
        <button
          v-for="(kit, index) in found.kits"
          :id="`found-${lineOf('kits', index)}`"
          :key="kit.code"
          type="button"
          role="option"
          :aria-selected="marked === lineOf('kits', index)"
          @click="go(ways[lineOf('kits', index)] ?? '')"
        >
          <span class="serif">{{ kit.name }}</span> <KitTag :code="kit.code" />
          <span class="second">{{ kit.modelName }}</span>
        </button>
        <button
          v-for="(loan, index) in found.loans"
          :id="`found-${lineOf('loans', index)}`"
          :key="loan.id"
          type="button"
          role="option"
          :aria-selected="marked === lineOf('loans', index)"
          @click="go(ways[lineOf('loans', index)] ?? '')"
        >
          {{ loan.borrower }} <span class="second">loan {{ loan.code }}, {{ loan.state }}, {{ loan.kitCode }}</span>
        </button>
        <button
          v-for="(other, index) in found.others"
          :id="`found-${lineOf('others', index)}`"
          :key="other.id"
          type="button"
          role="option"
          :aria-selected="marked === lineOf('others', index)"
          @click="go(ways[lineOf('others', index)] ?? '')"
        >
          {{ other.name }} <span class="second">{{ other.kind }}{{ other.detail ? `, ${other.detail}` : '' }}</span>
        </button>
        <button
          v-for="(part, index) in found.parts"
          :id="`found-${lineOf('parts', index)}`"
          :key="index"
          type="button"
          role="option"
          :aria-selected="marked === lineOf('parts', index)"
          @click="go(ways[lineOf('parts', index)] ?? '')"
        >
          {{ part.part }} <span class="second">in {{ part.kitName }}, {{ part.mark }}</span>
        </button>
      </div>
    </form>
    <p class="due">
      <template v-if="due.length > 0">
        <strong>Due now</strong>
        <template v-for="(loan, index) in due" :key="loan.id">
          <span v-if="index > 0" class="quiet"> · </span>
          <RouterLink :to="wayOfDue(loan)" :class="{ late: loan.late }">{{ loan.words }}</RouterLink>
        </template>
      </template>
      <span v-else-if="desk" class="quiet">Nothing is due now.</span>
    </p>
    <p class="who">
      <span>{{ dayText(now.toISOString(), ownZone) }}, {{ hourText(now.toISOString(), ownZone) }}</span>
      <ElButton link :title="session.current?.email" @click="signOut">Sign out</ElButton>
    </p>
  </header>
</template>

<style scoped src="./top-line.css"></style>
