<script setup lang="ts">
import { shelfSchema, type ShelfKit } from '@binoculum/contract'
import { conditions, conditionWords } from '@binoculum/core'
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { useMediaQuery } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import CsvButton from '../../shared/controls/CsvButton.vue'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import EmptyShelf from './EmptyShelf.vue'
import KitGlance from './KitGlance.vue'
import { filterKits, groupKits, shelfLines } from './shelf-groups.ts'
import ShelfRow from './ShelfRow.vue'
import { shelfTable } from './shelf-table.ts'
import { useKitKeys } from './use-kit-keys.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('shelfPage')

const ROW_PX = 41
const BOARD_PX = 33
/** Lines made above and below the screen. */
const LINES_BESIDE = 30
/** The line of rooms over the page. */
const TOP_PX = 48

const router = useRouter()
const session = useSession()
const { data: shelf, problem, slow, reload } = useLoaded(shelfSchema, '/api/kits')
const everything = { text: '', branchId: '', condition: '' as ShelfKit['condition'] | '', gone: false }
const filter = ref({ ...everything })
const chosenCode = ref<string | null>(null)

const all = computed(() => shelf.value?.kits ?? [])
const mine = computed(
  () =>
    new Set(session.current?.memberships.filter(({ role }) => role !== 'read-only').map(({ branchId }) => branchId)),
)
const groups = computed(() => groupKits(filterKits(all.value, filter.value), mine.value))
const inOrder = computed(() => groups.value.flatMap(({ kits }) => kits))
const lines = computed(() => shelfLines(groups.value))
const list = ref<HTMLElement | null>(null)
// A thousand kits are forty thousand elements: only what is near the screen is made, and a small shelf whole.
const virtual = useWindowVirtualizer(
  computed(() => ({
    count: lines.value.length,
    estimateSize: (index: number) => (lines.value[index]?.kit ? ROW_PX : BOARD_PX),
    getItemKey: (index: number) => lines.value[index]?.key ?? index,
    overscan: LINES_BESIDE,
    scrollMargin: list.value?.offsetTop ?? 0,
    scrollPaddingStart: TOP_PX,
  })),
)
const shown = computed(() =>
  virtual.value.getVirtualItems().flatMap(({ index }) => {
    const line = lines.value[index]
    return line ? [{ ...line, index }] : []
  }),
)
const heightBefore = computed(() => {
  const [first] = virtual.value.getVirtualItems()
  return first ? first.start - virtual.value.options.scrollMargin : 0
})
const heightAfter = computed(() => {
  const last = virtual.value.getVirtualItems().at(-1)
  return last ? virtual.value.getTotalSize() - (last.end - virtual.value.options.scrollMargin) : 0
})
const measure = (element: unknown) => {
  if (element instanceof Element) virtual.value.measureElement(element)
}
const chosen = computed(() => inOrder.value.find(({ code }) => code === chosenCode.value) ?? null)
const counts = computed(() =>
  conditions.map((condition) => ({
    condition,
    count: all.value.filter(({ group, ...kit }) => group !== 'out' && group !== 'gone' && kit.condition === condition)
      .length,
  })),
)
const gone = computed(() => all.value.filter(({ group }) => group === 'gone').length)
const countWords = { full: t('fit'), half: t('withANote'), crescent: t('bench'), new: t('held') } as const

// Whoever opens the shelf sees first what needs somebody.
watch(shelf, () => {
  if (!chosen.value)
    chosenCode.value = (groups.value.find(({ key }) => key === 'bench')?.kits[0] ?? inOrder.value[0])?.code ?? null
})

/** Beside the list stands the chosen kit; where there is no room for it, a touch opens its sheet. */
const hasRoomBeside = useMediaQuery('(width > 1100px)')
const openSheet = (code: string) => void router.push(`/kits/${encodeURIComponent(code)}`)
function choose(code: string) {
  chosenCode.value = code
  if (!hasRoomBeside.value) openSheet(code)
}
function move(step: number) {
  const index = inOrder.value.findIndex(({ code }) => code === chosenCode.value)
  const kit = inOrder.value[Math.min(Math.max(index + step, 0), inOrder.value.length - 1)]
  if (!kit) return
  chosenCode.value = kit.code
  virtual.value.scrollToIndex(
    lines.value.findIndex(({ key }) => key === kit.id),
    { align: 'auto' },
  )
}

const { keys } = useKitKeys(chosen)
useKeys(() => ({
  ArrowDown: () => move(1),
  ArrowUp: () => move(-1),
  Enter: () => chosen.value && openSheet(chosen.value.code),
  ...keys.value,
}))
const branches = computed(() => session.current?.memberships ?? [])
</script>

<template>
  <EmptyShelf v-if="shelf && all.length === 0" />
  <main v-else class="grid flex-1 grid-cols-[minmax(0,1fr)_332px] max-[1100px]:grid-cols-[minmax(0,1fr)]">
    <div class="flex flex-col min-w-0 line-r-rule">
      <header
        class="grid grid-cols-[44px_auto_minmax(0,1fr)_auto] gap-y-0 gap-x-16px items-center h-58px pr-14px max-[900px]:h-auto max-[900px]:grid-cols-[44px_minmax(0,1fr)] max-[900px]:pb-0"
      >
        <div class="strip max-[900px]:row-span-2"></div>
        <h1 class="whitespace-nowrap">{{ t('theShelf') }}</h1>
        <div class="filters flex gap-8px max-w-330px max-[900px]:pb-8px">
          <ElInput
            v-model="filter.text"
            class="flex-[1_0_72px]"
            type="search"
            :placeholder="t('only')"
            :aria-label="t('showOnlyKitsWithThese')"
          />
          <ElSelect
            v-if="branches.length > 1"
            v-model="filter.branchId"
            class="branch flex-[0_0_124px]"
            :placeholder="t('everywhere')"
            :aria-label="t('branch')"
          >
            <ElOption value="" :label="t('everywhere')" />
            <ElOption
              v-for="branch in branches"
              :key="branch.branchId"
              :value="branch.branchId"
              :label="branch.branchName"
            />
          </ElSelect>
        </div>
        <div class="counts flex gap-2px max-[1100px]:hidden">
          <button
            v-for="{ condition, count } in counts"
            :key="condition"
            class="flex gap-6px items-center py-4px px-7px line-transparent rd-4px bg-none text-ink font-inherit text-14px whitespace-nowrap cursor-pointer"
            type="button"
            :aria-pressed="filter.condition === condition"
            :title="conditionWords[condition]"
            @click="filter.condition = filter.condition === condition ? '' : condition"
          >
            <ConditionMoon :condition="condition" :size="18" /> <b>{{ count }}</b> {{ countWords[condition] }}
          </button>
          <button
            v-if="gone > 0"
            class="flex gap-6px items-center py-4px px-7px line-transparent rd-4px bg-none text-ink font-inherit text-14px whitespace-nowrap cursor-pointer"
            type="button"
            :aria-pressed="filter.gone"
            :title="t('lostStolenRetired')"
            @click="filter.gone = !filter.gone"
          >
            <b>{{ gone }}</b> {{ t('gone') }}
          </button>
        </div>
      </header>
      <ProblemNote class="mr-16px ml-60px my-12px" :problem="problem" @retry="reload" />
      <p v-if="slow" class="quiet mr-16px ml-60px my-12px">{{ t('readingTheShelf') }}</p>
      <div ref="list">
        <div
          v-if="heightBefore > 0"
          class="line grid grid-cols-[44px_minmax(0,1fr)]"
          :style="{ height: `${heightBefore}px` }"
        >
          <div class="strip"></div>
        </div>
        <template v-for="{ key, index, group, kit } in shown" :key="key">
          <div v-if="kit" :ref="measure" :data-index="index" class="line grid grid-cols-[44px_minmax(0,1fr)]">
            <div :class="['strip', { chosen: kit.code === chosenCode }]">
              <ConditionMoon :condition="kit.condition" />
            </div>
            <ShelfRow :kit="kit" :chosen="kit.code === chosenCode" @choose="choose(kit.code)" />
          </div>
          <div
            v-else
            :ref="measure"
            :data-index="index"
            class="board flex gap-14px [align-items:flex-start] h-33px relative"
          >
            <div class="strip"></div>
            <h2
              class="relative h-26px mr-0 ml-2px mt-4px mb-0 py-0 px-10px line-brass line-t-none bg-card text-18px lh-25px"
            >
              {{ group.title }}
              <b class="ml-6px text-brass-text [font:640_14px_var(--sans)]">{{ group.kits.length }}</b>
            </h2>
            <em class="pt-9px text-15px min-w-0 overflow-hidden text-ellipsis whitespace-nowrap">{{ group.note }}</em>
            <template v-if="index === 0"
              ><em
                class="where pt-9px text-15px absolute max-[900px]:hidden right-[calc(4px_+_112px_+_132px_+_22.5px)] w-100px"
                >{{ t('where') }}</em
              ><em
                class="next pt-9px text-15px absolute max-[900px]:hidden right-[calc(4px_+_132px_+_15px)] w-112px"
                >{{ t('nextHandOut') }}</em
              ><em class="pt-9px text-15px absolute max-[900px]:hidden right-[calc(4px_+_66px_+_7.5px)] w-66px">{{
                t('mirror')
              }}</em
              ><em class="pt-9px text-15px absolute max-[900px]:hidden right-4px w-66px">{{
                t('finder')
              }}</em></template
            >
          </div>
        </template>
        <div
          v-if="heightAfter > 0"
          class="line grid grid-cols-[44px_minmax(0,1fr)]"
          :style="{ height: `${heightAfter}px` }"
        >
          <div class="strip"></div>
        </div>
      </div>
      <p v-if="shelf && groups.length === 0" class="mr-16px ml-60px my-12px">
        {{ t('noKitFitsTheseWords') }}
        <ElButton link @click="filter = { ...everything }">{{ t('showAll') }}</ElButton>
      </p>
      <p v-if="groups.length > 0" class="mr-16px ml-60px my-12px">
        <CsvButton :rows="() => shelfTable(groups)" name="shelf" />
      </p>
      <div class="line opening grid grid-cols-[44px_minmax(0,1fr)] flex-1"><div class="strip"></div></div>
    </div>
    <div v-if="hasRoomBeside" class="side"><KitGlance v-if="chosen" :kit="chosen" /></div>
  </main>
</template>

<style scoped src="./shelf-page.css"></style>
