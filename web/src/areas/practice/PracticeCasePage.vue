<script setup lang="ts">
import { computed } from 'vue'
import CaseDrawing from '../../shared/drawings/CaseDrawing.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import { dayText } from '../../shared/dates.ts'
import ContentsCard from '../desk/ContentsCard.vue'
import { emptyTakeBack } from '../desk/take-back-state.ts'
import CloseUp from './CloseUp.vue'
import PracticeTabs from './PracticeTabs.vue'
import { usePractice } from './use-practice.ts'
import { useSession } from '../people/session.ts'
import { practiceWords } from './words.ts'

const t = practiceWords('practiceCasePage')

const session = useSession()

const practice = usePractice()
const { parts, marks, at, current, looked, seconds, score, tries, undoable } = practice

const draft = computed(() => ({
  ...emptyTakeBack(),
  marks: Object.fromEntries(
    [...marks.value].map(([id, mark]) => {
      const count = parts.value.find((part) => part.id === id)?.count ?? 1
      return [id, { mark, presentCount: mark === 'missing' ? 0 : count, note: '', wrongItem: '', pictureIds: [] }]
    }),
  ),
}))
const clock = (total: number) => `${Math.floor(total / 60)}:${String(Math.floor(total % 60)).padStart(2, '0')}`
const nameOf = (id: string) => parts.value.find((part) => part.id === id)?.name ?? id
const numberOf = (id: string) => parts.value.findIndex((part) => part.id === id) + 1
const resultWords = { found: t('found'), noticed: t('seenButNamedWrongly'), overlooked: t('overlooked') } as const
const ways = [
  { key: 'Space', name: t('space'), mark: 'present', words: t('present') },
  { key: 'm', name: 'm', mark: 'missing', words: t('missing') },
  { key: 'd', name: 'd', mark: 'damaged', words: t('damaged') },
  { key: 'w', name: 'w', mark: 'wrong', words: t('wrongItem') },
] as const

useKeys(() => ({
  ...Object.fromEntries(ways.map(({ key, mark }) => [key, () => practice.mark(mark)])),
  u: practice.undo,
  ArrowDown: () => practice.move(1),
  ArrowUp: () => practice.move(-1),
  Enter: () => (score.value ? practice.another() : practice.finish()),
}))
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="page flex-1 pb-12px">
      <PracticeTabs />
      <header class="flex flex-wrap gap-y-0 gap-x-16px items-center mb-10px">
        <h1>{{ t('practice') }}</h1>
        <p class="quiet">{{ t('aMadeUpKitComes') }}</p>
        <output class="ml-auto text-34px fw-640" :aria-label="t('time')">{{
          clock(score?.seconds ?? seconds)
        }}</output>
      </header>
      <div
        class="columns grid grid-cols-[minmax(0,1fr)_316px] gap-20px items-start max-[1000px]:grid-cols-[minmax(0,1fr)]"
      >
        <div class="frame line-rule-strong rd-4px bg-card">
          <ContentsCard :parts="parts" :draft="draft" :at="at" @choose="practice.move($event - at)" />
          <CloseUp v-if="current" :part="current">
            <p v-if="!score" class="marks flex flex-wrap gap-4px items-center mt-8px">
              <ElButton v-for="way in ways" :key="way.key" class="px-6px" @click="practice.mark(way.mark)">
                <KeyCap :name="way.name" /> <PencilMark :mark="way.mark" /> {{ way.words }}
              </ElButton>
            </p>
          </CloseUp>
        </div>
        <aside class="grid gap-14px">
          <CaseDrawing
            :parts="parts"
            :mark-of="({ id }) => marks.get(id) ?? 'unseen'"
            :current-id="current?.id ?? null"
            @choose="practice.goTo"
          />
          <section v-if="score" role="status" :aria-label="t('yourResult')">
            <p class="points">
              <b class="text-44px lh-48px">{{ score.points }}</b> {{ t('of') }}
            </p>
            <p class="quiet">
              {{
                t('ofFoundIn', {
                  found: score.faults.filter(({ result }) => result === 'found').length,
                  all: score.faults.length,
                  seconds: clock(score.seconds),
                })
              }}
            </p>
            <ul class="mx-0 mt-8px mb-0 p-0 list-none">
              <li
                v-for="fault in score.faults"
                :key="fault.partId"
                class="grid grid-cols-[24px_1fr] gap-6px py-5px px-0 line-t-rule text-14px"
              >
                <PencilMark :mark="fault.mark" />
                <span>
                  <b :class="fault.result === 'found' ? 'moss' : 'rust'"
                    >{{ numberOf(fault.partId) }} {{ nameOf(fault.partId) }}: {{ resultWords[fault.result] }}.</b
                  >
                  {{ fault.truth }}
                </span>
              </li>
              <li
                v-for="id in score.falseAlarms"
                :key="id"
                class="grid grid-cols-[24px_1fr] gap-6px py-5px px-0 line-t-rule text-14px"
              >
                <span></span
                ><span
                  ><b>{{ numberOf(id) }} {{ nameOf(id) }}</b> {{ t('isAsItShouldBe') }}</span
                >
              </li>
            </ul>
          </section>
          <section v-else>
            <h2>{{ t('howItGoes') }}</h2>
            <p>
              {{ t('takeEachPartInThe') }}
            </p>
          </section>
          <section v-if="tries.length > 0">
            <h2>{{ t('triesOnThisMachine') }}</h2>
            <p v-for="each in tries.slice(0, 5)" :key="each.atUtc" class="grid grid-cols-[90px_40px_1fr]">
              <span class="quiet">{{ dayText(each.atUtc, session.zoneOf()) }}</span> <b>{{ each.points }}</b>
              <span>{{ t('ofIn', { found: each.found, of: each.of, seconds: clock(each.seconds) }) }}</span>
            </p>
          </section>
        </aside>
      </div>
    </div>
    <footer class="action-bar">
      <ElButton v-if="score" type="primary" size="large" @click="practice.another">
        {{ t('anotherCase') }} <KeyCap name="Enter" />
      </ElButton>
      <template v-else>
        <ElButton type="primary" size="large" :disabled="looked === 0" @click="practice.finish">
          {{ t('doneLooking') }} <KeyCap name="Enter" />
        </ElButton>
        <span class="quiet">{{ t('ofLookedAt', { looked, parts: parts.length }) }}</span>
        <ElButton size="large" :disabled="undoable.length === 0" @click="practice.undo">
          {{ t('undo') }} <KeyCap name="u" />
        </ElButton>
        <ElButton size="large" @click="practice.another">{{ t('anotherCase') }}</ElButton>
      </template>
      <RouterLink to="/desk" class="ml-auto">{{ t('leavePractice') }}</RouterLink>
    </footer>
  </main>
</template>
