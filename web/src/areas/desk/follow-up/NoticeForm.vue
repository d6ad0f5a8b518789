<script setup lang="ts">
import { noticeResultSchema, type ModelList } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import DayPicker from '../../../shared/controls/DayPicker.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { deskWords } from '../words.ts'

const t = deskWords('noticeForm')

/** One job for every kit of a model, or for every kit whose cells are old. */
const { models, branches, today } = defineProps<{
  models: ModelList['models']
  branches: readonly { branchId: string; branchName: string }[]
  today: string
}>()
const emit = defineEmits<{ done: [told: string] }>()
const { sending, problem, run } = useSending()

const inDays = (days: number) => {
  const day = new Date(`${today}T00:00:00Z`)
  day.setUTCDate(day.getUTCDate() + days)
  return day.toISOString().slice(0, 10)
}
const notice = ref({ modelId: models[0]?.id ?? '', text: '', dueOn: inDays(14), stops: false })
const round = ref({ branchId: branches[0]?.branchId ?? '', olderThanDays: 180 as number | null, dueOn: inDays(14) })

const kitWords = (kits: readonly string[]) =>
  kits.length === 0 ? t('noKitNeedsIt') : t('kitsHaveItToDo', { kits: kits.join(', '), n: kits.length })

async function send(path: string, body: object) {
  await run(async (idempotencyKey) => {
    const { kits } = await api.post(noticeResultSchema, path, { ...body, idempotencyKey })
    emit('done', kitWords(kits))
  })
}
</script>

<template>
  <div
    class="grid grid-cols-[repeat(auto-fit,minmax(340px,1fr))] gap-y-10px gap-x-40px max-w-980px mt-10px px-16px pt-12px pb-16px line-rule-strong rd-4px bg-card"
  >
    <ProblemNote class="col-span-full" :problem="problem" />
    <form class="grid gap-8px content-start justify-items-start" @submit.prevent="send('/api/notices', notice)">
      <h3>{{ t('noticeToEveryKitOf') }}</h3>
      <label class="labelled w-full">
        <span>{{ t('model') }}</span>
        <ElSelect v-model="notice.modelId" :aria-label="t('model')">
          <ElOption
            v-for="model in models"
            :key="model.id"
            :value="model.id"
            :label="t('nameKits', { name: model.name, n: model.kits.length })"
          />
        </ElSelect>
      </label>
      <label class="labelled w-full">
        <span>{{ t('checkItFor') }}</span>
        <ElInput
          v-model="notice.text"
          required
          minlength="5"
          maxlength="500"
          :placeholder="t('forExampleCrackAtThe')"
        />
      </label>
      <label class="labelled w-full">
        <span>{{ t('by') }}</span>
        <DayPicker v-model="notice.dueOn" :from="today" :aria-label="t('by')" />
      </label>
      <ElCheckbox v-model="notice.stops">{{ t('noneMayBeLentUntil') }}</ElCheckbox>
      <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('makeOneJobPerKit') }}</ElButton>
    </form>
    <form class="grid gap-8px content-start justify-items-start" @submit.prevent="send('/api/battery-rounds', round)">
      <h3>{{ t('batteryRound') }}</h3>
      <label v-if="branches.length > 1" class="labelled w-full">
        <span>{{ t('where') }}</span>
        <ElSelect v-model="round.branchId" :aria-label="t('where')">
          <ElOption
            v-for="branch in branches"
            :key="branch.branchId"
            :value="branch.branchId"
            :label="branch.branchName"
          />
        </ElSelect>
      </label>
      <label class="labelled w-full">
        <span>{{ t('cellsOlderThan') }}</span>
        <FigureInput v-model="round.olderThanDays" :label="t('cellsOlderThanDays')" :unit="t('days')" />
      </label>
      <label class="labelled w-full">
        <span>{{ t('by') }}</span>
        <DayPicker v-model="round.dueOn" :from="today" :aria-label="t('by')" />
      </label>
      <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('makeTheRound') }}</ElButton>
    </form>
  </div>
</template>
