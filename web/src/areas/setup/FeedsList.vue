<script setup lang="ts">
import { feedMadeSchema, feedsSchema, shelfSchema } from '@binoculum/contract'
import { computed, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import { setupWords } from './words.ts'

const t = setupWords('feedsList')

/** Secret addresses under which other calendars read the days of kits; codes and days, never a name. */
const session = useSession()
const { branchId, mayChange } = defineProps<{ branchId: string; mayChange: boolean }>()
const { data, problem, reload } = useLoaded(feedsSchema, () => `/api/branches/${branchId}/feeds`)
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const { sending, problem: refusal, run } = useSending()
const kitId = ref('')
const address = ref('')
watch(
  () => branchId,
  () => (address.value = ''),
)
const kits = computed(() => shelf.value?.kits.filter((kit) => kit.branchId === branchId) ?? [])

const make = () =>
  run(async () => {
    const body = kitId.value === '' ? { kind: 'loans', kitId: null } : { kind: 'kit', kitId: kitId.value }
    const { path, feeds } = await api.post(feedMadeSchema, `/api/branches/${branchId}/feeds`, body)
    address.value = `${location.origin}${path}`
    data.value = { feeds }
  })
const end = (id: string) =>
  run(async () => {
    await api.remove(`/api/branches/${branchId}/feeds/${id}`)
    await reload()
  })
</script>

<template>
  <h2 class="mx-0 mt-18px mb-6px">
    {{ t('forOtherCalendars') }} <em>{{ t('daysAndCodesNoNames') }}</em>
  </h2>
  <ProblemNote :problem="problem" @retry="reload" />
  <ProblemNote :problem="refusal" />
  <div v-if="mayChange" class="flex flex-wrap gap-8px">
    <ElSelect
      v-model="kitId"
      class="w-260px"
      :placeholder="t('allKitsOfTheBranch')"
      clearable
      filterable
      :aria-label="t('daysOf')"
    >
      <ElOption v-for="kit in kits" :key="kit.id" :value="kit.id" :label="`${kit.name}, ${kit.code}`" />
    </ElSelect>
    <ElButton :disabled="sending" @click="make">{{ t('makeAnAddress') }}</ElButton>
  </div>
  <p v-if="address" role="status" class="my-8px mx-0">
    {{ t('shownOncePutItInto') }} <code class="break-anywhere">{{ address }}</code>
  </p>
  <ul v-if="data && data.feeds.length > 0" class="m-0 p-0 list-none">
    <li
      v-for="feed in data.feeds"
      :key="feed.id"
      class="flex flex-wrap gap-16px items-center py-6px px-0 line-b-rule"
    >
      <span>{{ feed.kitName ? `${feed.kitName}, ${feed.kitCode}` : t('allKitsOfTheBranch') }}</span>
      <span class="quiet">{{ feed.by }}, {{ dayText(feed.madeAtUtc, session.zoneOf(branchId)) }}</span>
      <ElButton v-if="mayChange" link :disabled="sending" @click="end(feed.id)">{{ t('endIt') }}</ElButton>
    </li>
  </ul>
</template>
