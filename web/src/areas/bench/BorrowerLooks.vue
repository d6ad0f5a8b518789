<script setup lang="ts">
import { remoteLooksSchema, type RemoteLookKind } from '@binoculum/contract'
import { remoteLookWords } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { whenText } from '../../shared/dates.ts'
import { benchWords } from './words.ts'

const t = benchWords('borrowerLooks')

/** What this kit's borrowers measured at home of what this station looks at: beside it, never instead of it. */
const { kitCode, zone, kinds } = defineProps<{ kitCode: string; zone: string; kinds: readonly RemoteLookKind[] }>()
const SHOWN = 2
const { data } = useLoaded(remoteLooksSchema, () => `/api/kits/${encodeURIComponent(kitCode)}/remote-looks`)
const looks = computed(() => (data.value?.looks ?? []).filter(({ look }) => kinds.includes(look)).slice(0, SHOWN))
</script>

<template>
  <aside v-if="looks.length > 0" :aria-label="t('fromItsBorrower')">
    <p
      v-for="look in looks"
      :key="look.atUtc"
      class="grid grid-cols-[auto_minmax(0,1fr)] gap-10px items-center my-6px mx-0"
    >
      <a v-if="look.pictureId" :href="`/api/pictures/${look.pictureId}`" target="_blank">
        <img
          class="block w-64px h-48px line-rule-strong [object-fit:cover]"
          :src="`/api/pictures/${look.pictureId}`"
          :alt="t('theBorrowersPictureToBe')"
          loading="lazy"
        />
      </a>
      <span>
        <b>{{ t('fromItsBorrower2', { atUtc: whenText(look.atUtc, zone) }) }}</b>
        <br />{{ remoteLookWords(look) }}
      </span>
    </p>
  </aside>
</template>
