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
const counted = (count: number, one: string, many: string) => (count === 1 ? `one ${one}` : `${count} ${many}`)
</script>

<template>
  <main class="page max-w-760px">
    <SetupTabs />
    <header class="flex flex-wrap gap-y-4px gap-x-16px items-center">
      <h1>Archive</h1>
      <BranchSelect v-model="branchId" :branches="branches" />
    </header>
    <p v-if="branches.length === 0" class="problem my-6px mx-0">
      Only a coordinator takes a branch’s history out, or reads one in. Ask yours.
    </p>
    <template v-else>
      <h2 class="mt-26px">Take it out</h2>
      <p class="second my-6px mx-0">
        Everything of this branch in open files that any program can read: kits, loans, checks with their figures,
        jobs, letters, the record. Read into an empty branch they make the same screens.
      </p>
      <ElCheckbox v-model="withBorrowers">with borrowers: names, contacts, card numbers, what they wrote</ElCheckbox>
      <p class="second my-6px mx-0">
        {{
          withBorrowers
            ? 'These files name people. Keep them as you keep your list of borrowers, and delete them when they have done their work.'
            : 'Nobody who borrows is named. Volunteers are, by name alone.'
        }}
      </p>
      <p class="files flex flex-wrap gap-10px items-center mx-0 mt-10px mb-0">
        <ElButton tag="a" :href="pathOf(`archive${asked}`)" download type="primary">Everything as JSON</ElButton>
        <ElButton tag="a" :href="pathOf(`archive/pictures${asked}`)" download>Its pictures as a zip</ElButton>
        <ElButton tag="a" :href="pathOf('catalogue')" download>For the library’s catalogue (MARCXML)</ElButton>
      </p>

      <h2 class="mt-26px">Read it in</h2>
      <p class="second my-6px mx-0">
        Into a branch in which there is nothing yet: all of it comes in, or nothing. Volunteers come as names; whoever
        still works here is invited again.
      </p>
      <p class="files flex flex-wrap gap-10px items-center mx-0 mt-10px mb-0">
        <FileButton accept=".json,application/json" :busy="sending" @take="readIn">Everything (JSON) …</FileButton>
        <FileButton accept=".zip,application/zip" :busy="sending" @take="readPictures"
          >Then its pictures (zip) …</FileButton
        >
      </p>
      <ProblemNote :problem="problem" />
      <p v-if="came" class="my-6px mx-0" role="status">
        {{ counted(came.kits.length, 'kit', 'kits') }} and {{ counted(came.loans, 'loan', 'loans') }} are in.
        <template v-if="came.pictures > 0">
          {{ counted(came.pictures, 'picture is', 'pictures are') }} named: choose the zip now.
        </template>
      </p>
      <p v-if="pictures" class="my-6px mx-0" role="status">
        {{ counted(pictures.pictures, 'picture', 'pictures') }} came in{{
          pictures.stillMissing > 0 ? `, ${pictures.stillMissing} are still missing` : ''
        }}.
        <template v-if="pictures.leftOut.length > 0">Left out: {{ pictures.leftOut.join(', ') }}.</template>
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
