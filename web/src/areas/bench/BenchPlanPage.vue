<script setup lang="ts">
import { benchPlansSchema, type BenchPlanLine, type BranchBenchPlan } from '@binoculum/contract'
import dayjs from 'dayjs'
import { computed, reactive, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import DayPicker from '../../shared/controls/DayPicker.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import BenchHands from './BenchHands.vue'
import BenchTabs from './BenchTabs.vue'
import { benchWords } from './words.ts'

const t = benchWords('benchPlanPage')

/** Which kit is put right on which evening, what will be late, and what would help; printed for the evening. */
const { data, problem, reload } = useLoaded(benchPlansSchema, '/api/bench-plan')
const { sending, problem: refusal, run } = useSending()
const chosenId = ref('')
const plan = computed<BranchBenchPlan | null>(() => {
  const branches = data.value?.branches ?? []
  const busiest = [...branches].sort((a, b) => b.lines.length - a.lines.length)[0]
  return branches.find(({ branchId }) => branchId === chosenId.value) ?? busiest ?? null
})
const evening = reactive({ onDay: dayjs().format('YYYY-MM-DD'), seats: 2, minutesEach: 120, note: '' })
const dayWords = (day: string) => dayjs(day).format('dddd D MMMM')
const linesOn = (eveningId: string, seat: number): BenchPlanLine[] =>
  plan.value?.lines.filter((line) => line.eveningId === eveningId && line.seat === seat) ?? []
const minutesOf = (lines: readonly BenchPlanLine[]) => lines.reduce((sum, { minutes }) => sum + minutes, 0)
const late = computed(() => plan.value?.lines.filter(({ isLate }) => isLate) ?? [])
const without = computed(
  () => plan.value?.lines.filter(({ eveningId, isLate }) => eveningId === null && !isLate) ?? [],
)

const add = () =>
  run(async () => {
    data.value = await api.post(benchPlansSchema, `/api/branches/${plan.value?.branchId}/bench-evenings`, evening)
  })
const remove = (id: string) =>
  run(async () => {
    await api.remove(`/api/branches/${plan.value?.branchId}/bench-evenings/${id}`)
    await reload()
  })
const seat = (eveningId: string, staffIds: readonly string[]) =>
  run(async () => {
    const path = `/api/branches/${plan.value?.branchId}/bench-evenings/${eveningId}/people`
    data.value = await api.put(benchPlansSchema, path, { staffIds })
  })
const nameOf = (staffId: string | undefined) => plan.value?.hands.find((hand) => hand.staffId === staffId)?.name
const beyond = computed(() => plan.value?.lines.filter(({ isBeyondAnybody }) => isBeyondAnybody) ?? [])
const print = () => window.print()
</script>

<template>
  <main class="page">
    <BenchTabs class="screen-only" />
    <h1>{{ t('eveningsAtTheBench') }}</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" />
    <template v-if="plan">
      <ElRadioGroup
        v-if="(data?.branches.length ?? 0) > 1"
        :model-value="plan.branchId"
        class="screen-only"
        :aria-label="t('branch')"
        @update:model-value="chosenId = String($event)"
      >
        <ElRadioButton v-for="each in data?.branches" :key="each.branchId" :value="each.branchId">{{
          each.branchName
        }}</ElRadioButton>
      </ElRadioGroup>
      <section v-if="late.length > 0" class="late my-10px mx-0 py-10px px-14px line-l-3-rust bg-card" role="status">
        <p>
          <strong class="rust">{{ t('kitsWontBeReadyIn', { n: late.length }) }}.</strong>
          {{ t('moreMinutesBeforeTheyAre', { minutesShort: plan.minutesShort }) }}
        </p>
        <p v-for="line in late" :key="line.kitCode" class="second">
          <RouterLink :to="`/kits/${encodeURIComponent(line.kitCode)}`">{{ line.kitName }}</RouterLink>
          {{
            t('isFetchedOnAboutMinutes', {
              neededOn: dayWords(line.neededOn ?? plan.today),
              eveningId: line.eveningId ? '' : t('andHasNoEvening'),
              minutes: line.minutes,
              isBeyondAnybody: line.isBeyondAnybody ? t('nobodyWhoComesHasDone') : '',
              isHeld: line.isHeld ? t('itIsHeldAndThe') : '',
            })
          }}
        </p>
      </section>
      <p v-else-if="plan.lines.length > 0" class="moss">{{ t('everythingThatIsPromisedIs') }}</p>
      <p v-else>
        <strong>{{ t('theBenchIsClear') }}</strong>
      </p>

      <form
        v-if="plan.mayChange"
        class="screen-only flex flex-wrap gap-y-8px gap-x-14px items-end my-14px mx-0"
        :aria-label="t('anotherEvening')"
        @submit.prevent="add"
      >
        <label class="labelled"
          ><span>{{ t('eveningOf') }}</span
          ><DayPicker v-model="evening.onDay" :from="plan.today" :aria-label="t('eveningOf2')"
        /></label>
        <label class="labelled"
          ><span>{{ t('places') }}</span
          ><ElInputNumber v-model="evening.seats" class="w-130px" :min="1" :max="40" :aria-label="t('places')"
        /></label>
        <label class="labelled"
          ><span>{{ t('minutesEach') }}</span
          ><ElInputNumber
            v-model="evening.minutesEach"
            class="w-130px"
            :min="10"
            :max="720"
            :aria-label="t('minutesEach')"
        /></label>
        <label class="labelled flex-[1_1_180px] max-w-300px"
          ><span>{{ t('note') }}</span
          ><ElInput v-model="evening.note" maxlength="200" name="evening-note"
        /></label>
        <ElButton native-type="submit" :disabled="sending">{{ t('addTheEvening') }}</ElButton>
        <ElButton v-if="plan.evenings.length > 0" @click="print">{{ t('printTheList') }}</ElButton>
      </form>

      <section v-for="each in plan.evenings" :key="each.id" class="evening">
        <h2 class="mx-0 mt-14px mb-4px">
          {{ dayWords(each.onDay) }}
          <em>{{
            t('placesMinutesEach', {
              n: each.seats,
              minutesEach: each.minutesEach,
              note: each.note ? ` · ${each.note}` : '',
            })
          }}</em>
          <ElButton v-if="plan.mayChange" link class="screen-only ml-10px" @click="remove(each.id)"
            ><span class="text-14px">{{ t('takeItOff') }}</span></ElButton
          >
        </h2>
        <label
          v-if="plan.mayChange"
          class="labelled screen-only grid grid-cols-[auto_minmax(200px,420px)] gap-10px items-center justify-start mb-8px"
          ><span>{{ t('whoComes') }}</span
          ><ElSelect
            :model-value="each.staffIds"
            multiple
            :multiple-limit="each.seats"
            :aria-label="t('whoComesOn', { onDay: dayWords(each.onDay) })"
            :placeholder="t('nobodyHasSaidYet')"
            @change="seat(each.id, $event)"
            ><ElOption
              v-for="hand in plan.hands"
              :key="hand.staffId"
              :value="hand.staffId"
              :label="hand.name" /></ElSelect
        ></label>
        <div
          role="group"
          :aria-label="t('placesOn', { onDay: dayWords(each.onDay) })"
          class="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-y-12px gap-x-28px"
        >
          <div v-for="seatNumber in each.seats" :key="seatNumber" class="py-8px px-12px line-rule bg-card">
            <p class="second">
              {{
                t('ofMin', {
                  staffIds: nameOf(each.staffIds[seatNumber - 1]) ?? t('placeSeatNumber', { seatNumber }),
                  id: minutesOf(linesOn(each.id, seatNumber - 1)),
                  minutesEach: each.minutesEach,
                })
              }}
            </p>
            <ol class="mx-0 mt-4px mb-0 p-0 list-none">
              <li
                v-for="line in linesOn(each.id, seatNumber - 1)"
                :key="line.kitCode"
                class="py-5px px-0 line-t-rule"
              >
                <p>
                  <span class="inline-block w-11px h-11px mr-6px line-ink" aria-hidden="true" />
                  <RouterLink
                    :to="
                      line.isHeld
                        ? `/kits/${encodeURIComponent(line.kitCode)}`
                        : `/bench/${encodeURIComponent(line.kitCode)}`
                    "
                    class="serif text-18px"
                    >{{ line.kitName }}</RouterLink
                  >
                  <KitTag class="my-0 mx-6px" :code="line.kitCode" />
                  <span class="second">{{
                    t('minutesMin', {
                      minutes: line.minutes,
                      measuredStations: line.measuredStations > 0 ? t('asMeasured') : '',
                      neededOn: line.neededOn ? t('fetchedNeededOn', { neededOn: dayWords(line.neededOn) }) : '',
                    })
                  }}</span>
                  <strong v-if="line.isLate" class="rust"> {{ ' ' }}{{ t('late') }}</strong>
                </p>
                <p v-for="sentence in line.sentences" :key="sentence" class="second">{{ sentence }}</p>
              </li>
            </ol>
            <p v-if="linesOn(each.id, seatNumber - 1).length === 0" class="quiet">{{ t('nothing') }}</p>
          </div>
        </div>
      </section>
      <p v-if="plan.evenings.length === 0" class="quiet">
        {{ t('noEveningIsSetYet') }}
      </p>
      <section v-if="without.length > 0">
        <h2 class="mx-0 mt-14px mb-4px">
          {{ t('withoutAnEvening') }} <em>{{ t('nobodyWaitsForTheseYet') }}</em>
        </h2>
        <p>{{ without.map(({ kitName, minutes }) => t('kitNameMin', { kitName, minutes })).join(' · ') }}</p>
      </section>
      <p v-if="beyond.length > 0" class="second">
        {{ t('nobodyWhoComesCanDo', { beyond: beyond.map(({ kitName }) => kitName).join(', '), n: beyond.length }) }}
      </p>
      <BenchHands :plan="plan" class="screen-only" @kept="data = $event" />
    </template>
  </main>
</template>
