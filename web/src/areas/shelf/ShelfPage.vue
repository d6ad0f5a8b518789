<script setup lang="ts">
import { shelfSchema, type ShelfKit } from '@binoculum/contract'
import { conditions, conditionWords } from '@binoculum/core'
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import EmptyShelf from './EmptyShelf.vue'
import KitGlance from './KitGlance.vue'
import { filterKits, groupKits, shelfLines } from './shelf-groups.ts'
import ShelfRow from './ShelfRow.vue'
import { useKitKeys } from './use-kit-keys.ts'

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
const countWords = { full: 'fit', half: 'with a note', crescent: 'bench', new: 'held' } as const

// Whoever opens the shelf sees first what needs somebody.
watch(shelf, () => {
  if (!chosen.value)
    chosenCode.value = (groups.value.find(({ key }) => key === 'bench')?.kits[0] ?? inOrder.value[0])?.code ?? null
})

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
  Enter: () => chosen.value && void router.push(`/kits/${encodeURIComponent(chosen.value.code)}`),
  ...keys.value,
}))
const branches = computed(() => session.current?.memberships ?? [])
</script>

<template>
  <EmptyShelf v-if="shelf && all.length === 0" />
  <main v-else class="shelf">
    <div class="list">
      <header>
        <div class="strip"></div>
        <h1>The shelf</h1>
        <div class="filters">
          <input
            v-model="filter.text"
            class="field"
            type="search"
            placeholder="only …"
            aria-label="Show only kits with these words"
          />
          <select v-if="branches.length > 1" v-model="filter.branchId" class="field" aria-label="Branch">
            <option value="">everywhere</option>
            <option v-for="branch in branches" :key="branch.branchId" :value="branch.branchId">
              {{ branch.branchName }}
            </option>
          </select>
        </div>
        <div class="counts">
          <button
            v-for="{ condition, count } in counts"
            :key="condition"
            type="button"
            :aria-pressed="filter.condition === condition"
            :title="conditionWords[condition]"
            @click="filter.condition = filter.condition === condition ? '' : condition"
          >
            <ConditionMoon :condition="condition" :size="18" /> <b>{{ count }}</b> {{ countWords[condition] }}
          </button>
          <button
            v-if="gone > 0"
            type="button"
            :aria-pressed="filter.gone"
            title="Lost, stolen, retired"
            @click="filter.gone = !filter.gone"
          >
            <b>{{ gone }}</b> gone
          </button>
        </div>
      </header>
      <ProblemNote class="note" :problem="problem" @retry="reload" />
      <p v-if="slow" class="note quiet">Reading the shelf …</p>
      <div ref="list" class="kits">
        <div v-if="heightBefore > 0" class="line" :style="{ height: `${heightBefore}px` }">
          <div class="strip"></div>
        </div>
        <template v-for="{ key, index, group, kit } in shown" :key="key">
          <div v-if="kit" :ref="measure" :data-index="index" class="line">
            <div :class="['strip', { chosen: kit.code === chosenCode }]">
              <ConditionMoon :condition="kit.condition" />
            </div>
            <ShelfRow :kit="kit" :chosen="kit.code === chosenCode" @choose="chosenCode = kit.code" />
          </div>
          <div v-else :ref="measure" :data-index="index" class="board">
            <div class="strip"></div>
            <h2>
              {{ group.title }} <b>{{ group.kits.length }}</b>
            </h2>
            <em>{{ group.note }}</em>
            <template v-if="index === 0"
              ><em class="where">where</em><em class="next">next hand-out</em><em class="mirror">mirror</em
              ><em class="finder">finder</em></template
            >
          </div>
        </template>
        <div v-if="heightAfter > 0" class="line" :style="{ height: `${heightAfter}px` }">
          <div class="strip"></div>
        </div>
      </div>
      <p v-if="shelf && groups.length === 0" class="note">
        No kit fits these words.
        <button type="button" class="link-button" @click="filter = { ...everything }">Show all</button>
      </p>
      <div class="line grow"><div class="strip"></div></div>
    </div>
    <div class="side"><KitGlance v-if="chosen" :kit="chosen" /></div>
  </main>
</template>

<style scoped>
.shelf {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 332px;
}

.list {
  display: flex;
  flex-direction: column;
  min-width: 0;
  border-right: 1px solid var(--rule);
}

header {
  display: grid;
  grid-template-columns: 44px auto minmax(0, 1fr) auto;
  gap: 0 16px;
  align-items: center;
  height: 58px;
  padding-right: 14px;
}

header h1 {
  white-space: nowrap;
}

.strip {
  --held: var(--rust-on-deep);

  display: grid;
  place-items: center;
  width: 44px;
  min-height: 100%;
  background: var(--deep);
}

.strip.chosen {
  background: var(--night);
}

.filters {
  display: flex;
  gap: 8px;
  max-width: 330px;
}

.filters select {
  flex: 0 0 118px;
}

.filters .field {
  min-height: 30px;
  padding: 3px 6px;
  font-size: 14px;
}

.counts {
  display: flex;
  gap: 2px;
}

.counts button {
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 4px 7px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  white-space: nowrap;
  cursor: pointer;
}

.counts button:hover,
.counts button[aria-pressed='true'] {
  border-color: var(--rule-strong);
  background: var(--card);
}

.board {
  display: flex;
  gap: 14px;
  align-items: flex-start;
  height: 33px;
  position: relative;
}

.board::before {
  content: '';
  position: absolute;
  inset: 0 0 auto 44px;
  height: 5px;
  border-block: 1px solid var(--rule-strong);
  background: var(--well);
}

.board .strip {
  flex: none;
}

.board h2 {
  position: relative;
  height: 26px;
  margin: 4px 0 0 2px;
  padding: 0 10px;
  border: 1px solid var(--brass);
  border-top: 0;
  background: var(--card);
  font-size: 18px;
  line-height: 25px;
}

.board h2 b {
  margin-left: 6px;
  color: var(--brass-text);
  font: 640 14px var(--sans);
}

.board em {
  padding-top: 9px;
  font-size: 15px;
}

.board .where,
.board .next,
.board .mirror,
.board .finder {
  position: absolute;
  right: 0;
}

.board .where {
  right: calc(4px + 112px + 132px + 22.5px);
  width: 100px;
}

.board .next {
  right: calc(4px + 132px + 15px);
  width: 112px;
}

.board .mirror {
  right: calc(4px + 66px + 7.5px);
  width: 66px;
}

.board .finder {
  right: 4px;
  width: 66px;
}

.line {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr);
}

.grow {
  flex: 1;
}

.note {
  margin: 12px 16px 12px 60px;
}

.side > * {
  position: sticky;
  top: 48px;
  min-height: calc(100vh - 48px);
  background: var(--card);
}

@media (max-width: 1100px) {
  .shelf {
    grid-template-columns: minmax(0, 1fr);
  }

  .list {
    overflow-x: auto;
  }

  .counts {
    display: none;
  }
}
</style>
