<script setup lang="ts">
import { kitSheetSchema, type TakenWeighing } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText } from '../../shared/dates.ts'
import WeighIn from '../../shared/weigh-in/WeighIn.vue'
import { groupWords } from '../../shared/weigh-in/use-weigh-in.ts'
import { massText } from '@binoculum/core'
import { shelfWords } from './words.ts'

const t = shelfWords('weighPage')

/** Weighing a complete kit: from then on its own weight is what is compared with. */
const route = useRoute()
const router = useRouter()
const {
  data: kit,
  problem,
  reload,
} = useLoaded(kitSheetSchema, () => `/api/kits/${encodeURIComponent(String(route.params.code))}`)
const { sending, problem: refusal, run } = useSending()
const weighings = ref<readonly TakenWeighing[]>([])

const off = computed(() => kit.value?.parts.filter(({ mark }) => mark !== 'present') ?? [])
const given = computed(
  () => kit.value && { kit: kit.value, marks: {}, weighings: weighings.value, lookAlikes: [], lossChances: {} },
)
const isDoubtful = computed(() => refusal.value?.code === 'WEIGHT_DOUBTFUL')

const weigh = (taken: TakenWeighing) =>
  (weighings.value = [...weighings.value.filter(({ group }) => group !== taken.group), taken])
const clear = (name: string) => (weighings.value = weighings.value.filter(({ group }) => group !== name))

async function keep(sure: boolean) {
  const sheet = kit.value
  if (!sheet) return
  const went = await run(async (idempotencyKey) => {
    const body = { idempotencyKey, kitVersion: sheet.version, weighings: weighings.value, sure }
    kit.value = await api.post(kitSheetSchema, `/api/kits/${sheet.id}/weighings`, body)
  })
  if (went) await router.push(`/kits/${encodeURIComponent(sheet.code)}`)
}
</script>

<template>
  <main class="page grid gap-14px content-start max-w-900px">
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="kit && given">
      <header class="flex flex-wrap gap-y-0 gap-x-14px items-center">
        <h1>{{ t('weighComplete', { name: kit.name }) }}</h1>
        <KitTag :code="kit.code" />
      </header>
      <p>
        {{ t('everythingInNothingElseFrom') }}
      </p>
      <p v-if="off.length > 0" class="problem">
        {{
          t('isNotComplete', {
            name: kit.name,
            off: off
              .slice(0, 4)
              .map(({ name }) => name)
              .join(', '),
            more: off.length > 4 ? t('andMore', { off: off.length - 4 }) : '',
          })
        }}
        <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ t('countItOrPutIt') }}</RouterLink>
      </p>
      <template v-else>
        <div class="columns grid grid-cols-[340px_1fr] gap-40px items-start">
          <WeighIn :given="given" @weigh="weigh" @clear="clear" />
          <section>
            <h2>{{ t('weighedBefore') }}</h2>
            <p v-if="kit.baselines.length === 0" class="quiet">{{ t('neverYet') }}</p>
            <p v-for="each in kit.baselines" :key="each.group" class="flex flex-wrap gap-x-8px items-baseline">
              {{ groupWords(each.group) }} <b>{{ massText(each.measuredG) }}</b>
              <span class="second">{{ dayText(each.atUtc, kit.zone) }}</span>
            </p>
          </section>
        </div>
        <ProblemNote :problem="refusal" @retry="reload" />
        <div class="flex gap-10px">
          <ElButton
            type="primary"
            size="large"
            :disabled="weighings.length === 0 || sending"
            @click="keep(isDoubtful)"
          >
            {{ isDoubtful ? t('itIsCompleteAllThe') : t('itIsCompleteKeepThis') }}
          </ElButton>
          <RouterLink class="button big" :to="`/kits/${encodeURIComponent(kit.code)}`">{{ t('notNow') }}</RouterLink>
        </div>
      </template>
    </template>
  </main>
</template>
