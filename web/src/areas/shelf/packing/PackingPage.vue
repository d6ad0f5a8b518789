<script setup lang="ts">
import { madeSchema, packingSchema, type PackingLeft as Left, type PackingSlotView } from '@binoculum/contract'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import KitTag from '../../../shared/drawings/KitTag.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { useSession } from '../../people/session.ts'
import PackingLeft from './PackingLeft.vue'
import PackingSlot from './PackingSlot.vue'
import { shelfWords } from '../words.ts'

const t = shelfWords('packingPage')

/** How a kit is packed, by its own pictures: each place of its case, and the case at each step of putting away. */
const session = useSession()
const code = String(useRoute().params.code)
const { data, problem, reload } = useLoaded(packingSchema, `/api/kits/${encodeURIComponent(code)}/packing`)
const { sending, problem: refusal, run } = useSending()
const mayAct = computed(() => !!data.value && session.may(data.value.kit.branchId, 'coordinator', 'volunteer'))
const groups = computed(() =>
  (
    [
      ['place', t('placesOfTheCase'), t('soItLiesWhenNothing')],
      ['step', t('puttingItAwayStepBy'), t('theCaseAfterEachStep')],
    ] as const
  ).map(([kind, title, words]) => ({
    title,
    words,
    slots: data.value?.slots.filter((each) => each.kind === kind) ?? [],
  })),
)
const taken = computed(() => data.value?.slots.filter(({ pictureId }) => pictureId !== null).length ?? 0)

async function put(
  slot: Pick<PackingSlotView, 'key' | 'pictureId' | 'words'>,
  change: { pictureId?: string | null; words?: string },
) {
  const { key, pictureId, words } = { ...slot, ...change }
  data.value = await api.put(packingSchema, `/api/kits/${data.value?.kit.id ?? ''}/packing`, {
    key,
    pictureId,
    words,
  })
}
const keep = (...given: Parameters<typeof put>) => run(() => put(...given))
const move = (from: Left, key: string) =>
  run(async () => {
    await put({ ...from, key }, {})
    await put(from, { pictureId: null })
  })
const empty = computed(() => data.value?.slots.filter(({ pictureId }) => pictureId === null) ?? [])
const take = (slot: PackingSlotView, file: File) =>
  run(async () => {
    const branchId = data.value?.kit.branchId ?? ''
    const { id } = await api.upload(madeSchema, `/api/pictures?branchId=${branchId}`, file)
    await put(slot, { pictureId: id })
  })
</script>

<template>
  <main class="page">
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="data">
      <p>
        <RouterLink :to="`/kits/${encodeURIComponent(code)}`">{{ data.kit.name }}</RouterLink>
      </p>
      <header class="flex flex-wrap gap-y-6px gap-x-14px items-center">
        <h1>{{ t('howItIsPacked') }}</h1>
        <KitTag :code="data.kit.code" />
        <p class="quiet">
          {{ t('ofShownTheyStandBeside', { taken, slots: data.slots.length }) }}
        </p>
      </header>
      <ProblemNote :problem="refusal" @retry="reload" />
      <section v-if="data.left.length > 0" :aria-label="t('picturesWithoutAPlace')">
        <h2 class="mx-0 mt-18px mb-2px">{{ t('picturesWithoutAPlace') }}</h2>
        <p class="second">{{ t('theCardNamesTheirPlace') }}</p>
        <div class="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-14px mt-8px">
          <PackingLeft
            v-for="picture in data.left"
            :key="picture.key"
            :picture="picture"
            :empty="empty"
            :may-act="mayAct"
            :sending="sending"
            @move="move(picture, $event)"
            @remove="keep(picture, { pictureId: null })"
          />
        </div>
      </section>
      <section v-for="{ title, words, slots } in groups" :key="title" :aria-label="title">
        <h2 class="mx-0 mt-18px mb-2px">{{ title }}</h2>
        <p class="second">{{ words }}</p>
        <div class="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-14px mt-8px">
          <PackingSlot
            v-for="slot in slots"
            :key="slot.key"
            :shown="slot"
            :may-act="mayAct"
            :sending="sending"
            @take="take(slot, $event)"
            @words="keep(slot, { words: $event })"
            @remove="keep(slot, { pictureId: null, words: '' })"
          />
        </div>
      </section>
    </template>
  </main>
</template>
