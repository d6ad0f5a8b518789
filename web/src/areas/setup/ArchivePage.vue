<script setup lang="ts">
import {
  branchArchiveResultSchema,
  broughtPicturesSchema,
  type BranchArchiveResult,
  type BroughtPictures,
} from '@binoculum/contract'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import BranchSelect from '../../shared/controls/BranchSelect.vue'
import FileButton from '../../shared/controls/FileButton.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import SetupTabs from './SetupTabs.vue'
import SpreadFiles from './SpreadFiles.vue'
import { setupWords } from './words.ts'

const t = setupWords('archivePage')

/** A branch with its whole history in open files, out and in again. */
const session = useSession()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const branchId = ref(branches.value[0]?.branchId ?? '')
const withBorrowers = ref(false)
const pathOf = (what: string) => `/api/branches/${branchId.value}/${what}`
const asked = computed(() => (withBorrowers.value ? '?borrowers=with' : ''))

const { sending, problem, run } = useSending()
const came = ref<BranchArchiveResult | null>(null)
const pictures = ref<BroughtPictures | null>(null)
/** The browser's own name for a file's kind differs from one to the next. */
const as = (file: File, type: string) => new Blob([file], { type })
const readIn = (file: File) =>
  run(async () => {
    came.value = await api.post(branchArchiveResultSchema, pathOf('archive'), as(file, 'application/json'))
  })
const readPictures = (file: File) =>
  run(async () => {
    pictures.value = await api.post(broughtPicturesSchema, pathOf('archive/pictures'), as(file, 'application/zip'))
  })
</script>

<template>
  <main class="page max-w-760px">
    <SetupTabs />
    <header class="flex flex-wrap gap-y-4px gap-x-16px items-center">
      <h1>{{ t('archive') }}</h1>
      <BranchSelect v-model="branchId" :branches="branches" />
    </header>
    <p v-if="branches.length === 0" class="problem my-6px mx-0">
      {{ t('onlyACoordinatorTakesA') }}
    </p>
    <template v-else>
      <h2 class="mt-26px">{{ t('takeItOut') }}</h2>
      <p class="second my-6px mx-0">
        {{ t('everythingOfThisBranchIn') }}
      </p>
      <ElCheckbox v-model="withBorrowers">{{ t('withBorrowersNamesContactsCard') }}</ElCheckbox>
      <p class="second my-6px mx-0">
        {{ withBorrowers ? t('theseFilesNamePeopleKeep') : t('nobodyWhoBorrowsIsNamed') }}
      </p>
      <p class="files flex flex-wrap gap-10px items-center mx-0 mt-10px mb-0">
        <ElButton tag="a" :href="pathOf(`archive${asked}`)" download type="primary">{{
          t('everythingAsJson')
        }}</ElButton>
        <ElButton tag="a" :href="pathOf(`archive/pictures${asked}`)" download>{{ t('itsPicturesAsAZip') }}</ElButton>
        <ElButton tag="a" :href="pathOf('catalogue')" download>{{ t('forTheLibrarysCatalogueMarcxml') }}</ElButton>
      </p>

      <h2 class="mt-26px">{{ t('readItIn') }}</h2>
      <p class="second my-6px mx-0">
        {{ t('intoABranchInWhich') }}
      </p>
      <p class="files flex flex-wrap gap-10px items-center mx-0 mt-10px mb-0">
        <FileButton accept=".json,application/json" :busy="sending" @take="readIn">{{
          t('everythingJson')
        }}</FileButton>
        <FileButton accept=".zip,application/zip" :busy="sending" @take="readPictures">{{
          t('thenItsPicturesZip')
        }}</FileButton>
      </p>
      <ProblemNote :problem="problem" />
      <p v-if="came" class="my-6px mx-0" role="status">
        {{ t('kitsAndAreIn', { loans: t('nLoans', { n: came.loans }), n: came.kits.length }) }}
        <template v-if="came.pictures > 0">
          {{ t('picturesAreNamedChooseThe', { n: came.pictures }) }}{{ ' ' }}
        </template>
      </p>
      <p v-if="pictures" class="my-6px mx-0" role="status">
        {{
          t('picturesCameIn', {
            stillMissing:
              pictures.stillMissing > 0 ? t('areStillMissing', { stillMissing: pictures.stillMissing }) : '',
            n: pictures.pictures,
          })
        }}
        <template v-if="pictures.leftOut.length > 0">{{
          t('leftOut', { leftOut: pictures.leftOut.join(', ') })
        }}</template>
      </p>
      <SpreadFiles v-if="branchId" :key="branchId" :branch-id="branchId" />
    </template>
  </main>
</template>

<style scoped>
.files > * {
  margin: 0;
}
</style>
