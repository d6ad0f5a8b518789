<script setup lang="ts">
import { borrowersFoundSchema, type Borrower, type CardAnswer } from '@binoculum/contract'
import { computed, ref, watch } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import CardLookUp from './CardLookUp.vue'
import type { HandOutDraft } from './use-hand-out.ts'
import { deskWords } from './words.ts'

const t = deskWords('borrowerPicker')

const { branchId } = defineProps<{ branchId: string }>()
const draft = defineModel<HandOutDraft>({ required: true })
const text = ref('')
const words = computed(() => text.value.trim())
const { data, problem, reload } = useLoaded(borrowersFoundSchema, () =>
  words.value.length < 2 ? null : `/api/borrowers?branchId=${branchId}&text=${encodeURIComponent(words.value)}`,
)

/** The arrows go along what was found; Enter takes what is marked, or the only one. */
const marked = ref(-1)
watch(words, () => (marked.value = -1))
const found = computed(() => (words.value.length < 2 ? [] : (data.value?.borrowers ?? [])))
function mark(step: number) {
  const lines = found.value.length + 1
  if (words.value.length >= 2) marked.value = (Math.max(marked.value, step > 0 ? -1 : 0) + step + lines) % lines
}
function takeMarked() {
  if (words.value.length < 2) return
  const only = found.value.length === 1 && marked.value < 0 ? found.value[0] : found.value[marked.value]
  if (only) choose(only)
  else if (marked.value === found.value.length) enterNew()
}

function choose(borrower: Borrower) {
  draft.value.borrower = borrower
  draft.value.isNew = false
  // What was known of their practice begins their guide; it can be changed there.
  const { guide } = draft.value
  if (borrower.level) draft.value.guide = { ...guide, borrower: { ...guide.borrower, level: borrower.level } }
  text.value = ''
}

const isCard = computed(() => /^[\p{L}-]{0,3}[\d -]{4,}$/u.test(words.value))
function enterNew() {
  const cardOnly = data.value?.cardOnly ?? false
  const asCard = cardOnly || isCard.value
  const typed = asCard ? { name: '', cardNumber: words.value } : { name: words.value, cardNumber: '' }
  Object.assign(draft.value, { isNew: true, cardOnly, borrower: null, contact: '', ...typed })
  text.value = ''
}
/** What the directory says is a beginning: it can be corrected before anything is sent. */
function takeOver(person: CardAnswer['person']) {
  enterNew()
  if (person) Object.assign(draft.value, { name: person.name, contact: person.contact })
}

function another() {
  draft.value.borrower = null
  draft.value.isNew = false
  draft.value.adultSeen = false
}
</script>

<template>
  <div
    v-if="draft.isNew"
    class="grid grid-cols-[repeat(auto-fit,minmax(min(170px,100%),1fr))] gap-y-8px gap-x-12px justify-items-start"
  >
    <template v-if="!draft.cardOnly">
      <label class="labelled"
        ><span>{{ t('name') }}</span
        ><ElInput v-model="draft.name" name="borrower-name" required
      /></label>
      <label class="labelled">
        <span>{{ t('telephoneOrMail') }}</span><ElInput v-model="draft.contact" name="borrower-contact" required />
      </label>
    </template>
    <label class="labelled"
      ><span>{{ t('libraryCard') }}</span
      ><ElInput v-model="draft.cardNumber" name="borrower-card"
    /></label>
    <ElButton link @click="another">{{ t('somebodyKnown') }}</ElButton>
  </div>
  <p v-else-if="draft.borrower">
    <strong>{{ draft.borrower.name }}</strong>{{
      draft.borrower.cardNumber && draft.borrower.contact
        ? t('cardCardNumber', { cardNumber: draft.borrower.cardNumber })
        : ''
    }}
    ·
    {{
      draft.borrower.loansBefore === 0
        ? t('firstTelescope')
        : t('loansBefore', { loansBefore: draft.borrower.loansBefore })
    }}
    · <span class="quiet">{{ draft.borrower.contact }}</span>{{ ' '
    }}<ElButton link @click="another">{{ t('somebodyElse') }}</ElButton>
  </p>
  <div v-else class="max-w-420px">
    <ElInput
      v-model="text"
      :placeholder="data?.cardOnly ? t('cardNumber') : t('nameOrCardNumber')"
      :aria-label="t('findTheBorrower')"
      autocomplete="off"
      @keydown.down.prevent="mark(1)"
      @keydown.up.prevent="mark(-1)"
      @keydown.enter.prevent.stop="takeMarked"
    />
    <ProblemNote :problem="problem" @retry="reload" />
    <ul v-if="words.length >= 2 && data" class="mx-0 mt-4px mb-0 p-0 line-rule-strong rd-4px list-none">
      <li v-for="(borrower, index) in data.borrowers" :key="borrower.id">
        <button
          class="w-full min-h-32px py-4px px-10px line-none bg-card text-ink font-inherit text-left cursor-pointer"
          type="button"
          :class="{ marked: index === marked }"
          @click="choose(borrower)"
        >
          {{ borrower.name }}
          <span class="second">{{
            t('cardNumberLoans', {
              cardNumber: borrower.cardNumber ? t('cardCardNumber2', { cardNumber: borrower.cardNumber }) : '',
              loansBefore: borrower.loansBefore,
              branchName: borrower.branchName,
            })
          }}</span>
        </button>
      </li>
      <li>
        <button
          class="w-full min-h-32px py-4px px-10px line-none bg-card text-ink font-inherit text-left cursor-pointer"
          type="button"
          :class="{ marked: marked === data.borrowers.length }"
          @click="enterNew"
        >
          {{ data.cardOnly ? t('card') : isCard ? t('somebodyNewWithCard') : t('somebodyNew') }} “{{ text }}”
        </button>
      </li>
    </ul>
    <CardLookUp
      v-if="data?.hasDirectory && isCard && data.borrowers.length === 0"
      :branch-id="branchId"
      :card-number="words"
      @take="takeOver"
    />
    <p v-if="data?.cardOnly" class="second">{{ t('thisBranchKeepsCardNumbers') }}</p>
  </div>
</template>

<style scoped>
.marked {
  outline: 2px solid var(--night);
}

li button:hover,
li button:focus {
  background: var(--wash);
}
</style>
