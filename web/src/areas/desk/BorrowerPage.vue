<script setup lang="ts">
import {
  borrowerLoansSchema,
  borrowerSheetSchema,
  changeBorrowerSchema,
  type BorrowerSheet,
} from '@binoculum/contract'
import { borrowerLevels } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import SchemaField from '../../shared/controls/SchemaField.vue'
import SchemaForm from '../../shared/controls/SchemaForm.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText, lateText } from '../../shared/dates.ts'
import { levelWords } from '../../shared/borrower-levels.ts'
import DeskTabs from './DeskTabs.vue'
import { deskWords } from './words.ts'

const t = deskWords('borrowerPage')

/** One borrower: what they have, had and lost, and until when their name is kept. */
const route = useRoute()
const path = `/api/borrowers/${String(route.params.borrowerId)}`
const { data: borrower, problem, reload } = useLoaded(borrowerSheetSchema, path)
const { sending, problem: refusal, run } = useSending()
const fieldsOf = ({ name, contact, cardNumber, language, level, cardOnly }: BorrowerSheet) => ({
  ...(!cardOnly && { name, contact }),
  ...{ cardNumber, language, level },
})
const fields = ref<Partial<ReturnType<typeof fieldsOf>>>({})
watch(borrower, (shown) => shown && (fields.value = fieldsOf(shown)))
const isChanged = computed(
  () => !!borrower.value && JSON.stringify(fields.value) !== JSON.stringify(fieldsOf(borrower.value)),
)
const stateWords = { promised: t('promised'), out: t('out'), back: t('back'), cancelled: t('cancelled') } as const
const dayOf = (day: string) => dayText(`${day}T12:00:00Z`, 'UTC')
const lateLoans = computed(() => borrower.value?.loans.filter(({ daysLate }) => daysLate > 0).length ?? 0)

const earlier = () =>
  run(async () => {
    const shown = borrower.value
    if (!shown?.next) return
    const { loans, next } = await api.get(borrowerLoansSchema, `${path}/loans?before=${shown.next}`)
    borrower.value = { ...shown, loans: [...shown.loans, ...loans], next }
  })
const keep = () =>
  run(async () => {
    borrower.value = await api.put(borrowerSheetSchema, path, fields.value)
  })
</script>

<template>
  <main class="page">
    <DeskTabs />
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="borrower">
      <h1>{{ borrower.name }}</h1>
      <p class="quiet">
        {{
          t('knownAtLoans', {
            branchName: borrower.branchName,
            n: borrower.loans.length,
            next: borrower.next ? t('orMore') : '',
            lateLoans: lateLoans === 0 ? t('noneLate') : t('lateLoansLate', { lateLoans }),
            waits: borrower.waits > 0 ? t('waitsForAKit') : '',
          })
        }}
      </p>
      <p v-if="borrower.unlinkedAtUtc" class="second">
        {{ t('theNameWasTakenOut', { unlinkedAtUtc: dayText(borrower.unlinkedAtUtc, 'UTC') }) }}
      </p>
      <template v-else>
        <p class="second">
          {{
            t('thatYouLookedIsOn', {
              unlinksOn: borrower.unlinksOn
                ? t('nameAndContactAreTaken', { unlinksOn: dayOf(borrower.unlinksOn) })
                : t('nameAndContactStayWhile'),
            })
          }}
        </p>
        <SchemaForm :schema="changeBorrowerSchema" :value="fields" :label="t('whoItIs')" @send="keep">
          <template v-if="!borrower.cardOnly">
            <SchemaField :label="t('name')" path="name"
              ><ElInput v-model="fields.name" name="borrower-name" maxlength="200"
            /></SchemaField>
            <SchemaField :label="t('telephoneOrMail')" path="contact"
              ><ElInput v-model="fields.contact" name="borrower-contact" maxlength="200"
            /></SchemaField>
          </template>
          <SchemaField :label="t('libraryCard')" path="cardNumber"
            ><ElInput v-model="fields.cardNumber" name="borrower-card" maxlength="50"
          /></SchemaField>
          <SchemaField :label="t('lettersIn')" path="language"
            ><ElSelect v-model="fields.language" :aria-label="t('lettersIn')"
              ><ElOption value="en" :label="t('english')" /><ElOption value="es" :label="t('espaOl')" /></ElSelect
          ></SchemaField>
          <SchemaField :label="t('practice')" path="level"
            ><ElSelect v-model="fields.level" clearable :placeholder="t('nobodyAsked')" :aria-label="t('practice')"
              ><ElOption
                v-for="level in borrowerLevels"
                :key="level"
                :value="level"
                :label="levelWords[level]" /></ElSelect
          ></SchemaField>
          <p class="wide">
            <ElButton native-type="submit" :disabled="!isChanged || sending">{{ t('keep') }}</ElButton>
          </p>
        </SchemaForm>
        <ProblemNote :problem="refusal" />
      </template>
      <h2 class="mx-0 mt-16px mb-4px">{{ t('loans') }}</h2>
      <p v-if="borrower.loans.length === 0" class="quiet">{{ t('noneYet') }}</p>
      <ul class="m-0 p-0 list-none">
        <li v-for="loan in borrower.loans" :key="loan.id">
          <RouterLink :to="`/desk/loans/${loan.id}`">{{ loan.code }}</RouterLink>
          <span>{{ loan.kitName }} <KitTag :code="loan.kitCode" /></span>
          <span>{{ t('fromOnTo', { fromOn: dayOf(loan.fromOn), backOn: dayOf(loan.backOn ?? loan.untilOn) }) }}</span>
          <span class="quiet"
            >{{ stateWords[loan.state]
            }}<strong v-if="loan.daysLate > 0" class="rust">, {{ lateText(loan.daysLate) }}</strong
            >{{ loan.missing.length > 0 ? t('missingMissing', { missing: loan.missing.join(', ') }) : '' }}</span
          >
        </li>
      </ul>
      <p v-if="borrower.next">
        <ElButton :disabled="sending" @click="earlier">{{ t('earlierLoans') }}</ElButton>
      </p>
    </template>
  </main>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 80px minmax(160px, 240px) minmax(180px, 240px) minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}

@media (max-width: 760px) {
  form,
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
