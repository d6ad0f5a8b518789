import {
  slipSchema,
  type Borrower,
  type GuideWishes,
  type HandOut,
  type HandOutForm,
  type Slip,
} from '@binoculum/contract'
import { computed, type Ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useDraft } from '../../shared/draft.ts'

export interface HandOutDraft {
  borrower: Borrower | null
  isNew: boolean
  /** The branch keeps card numbers only: somebody new is a card. */
  cardOnly: boolean
  name: string
  contact: string
  cardNumber: string
  adultSeen: boolean
  dueOn: string
  contentsAgreed: boolean
  filterChecked: boolean
  sunAcknowledged: boolean
  acceptance: 'screen' | 'paper' | null
  overruleReason: string
  guide: GuideWishes
}

export const emptyHandOut = (): HandOutDraft => ({
  borrower: null,
  isNew: false,
  cardOnly: false,
  name: '',
  contact: '',
  cardNumber: '',
  adultSeen: false,
  dueOn: '',
  contentsAgreed: false,
  filterChecked: false,
  sunAcknowledged: false,
  acceptance: null,
  overruleReason: '',
  guide: {
    language: 'en',
    borrower: { ageGroup: 'family', level: 'first', eye: 'right', seated: false },
    place: null,
  },
})

/** Who was chosen or entered, as it is sent; null while nobody is, or too little of somebody new. */
export function pickedBorrower(
  draft: Pick<HandOutDraft, 'borrower' | 'isNew' | 'cardOnly' | 'name' | 'contact' | 'cardNumber'>,
): HandOut['borrower'] | null {
  const { borrower, isNew, cardOnly, name, contact, cardNumber } = draft
  if (borrower) return { id: borrower.id }
  if (isNew && cardOnly) return cardNumber.trim() === '' ? null : { cardNumber }
  return isNew && name.trim() !== '' && contact.trim().length >= 3 ? { name, contact, cardNumber } : null
}

export type LineName = 'fit' | 'borrower' | 'return' | 'contents' | 'sun' | 'agreement'

/** The hand-out's draft, which of its lines are done, and what is sent in the end. */
export function useHandOut(kitCode: string, form: Ref<HandOutForm | null>) {
  const { draft, wasKept, discard } = useDraft(`hand-out ${kitCode}`, emptyHandOut, { shape: 4 })

  const fit = computed(() => {
    const condition = form.value?.kit.condition
    return condition === 'full' || condition === 'half'
  })
  const never = computed(() => form.value?.kit.reasons.some(({ overrule }) => overrule === 'never') ?? false)
  const picked = computed(() => pickedBorrower(draft.value))
  /** A front filter goes out only when it was held against a lamp. */
  const hasFilter = computed(
    () => form.value?.kit.parts.some(({ role, mark }) => role === 'front-filter' && mark !== 'missing') ?? false,
  )
  const lines = computed<Record<LineName, boolean>>(() => ({
    fit: fit.value || (!never.value && draft.value.overruleReason.trim() !== ''),
    borrower: picked.value !== null && draft.value.adultSeen,
    return: draft.value.dueOn !== '',
    contents: draft.value.contentsAgreed && (!hasFilter.value || draft.value.filterChecked),
    sun: draft.value.sunAcknowledged,
    agreement: draft.value.acceptance !== null,
  }))
  const firstOpen = computed(
    () => (Object.keys(lines.value) as LineName[]).find((line) => !lines.value[line]) ?? null,
  )

  function startFrom(given: HandOutForm) {
    if (draft.value.dueOn === '') draft.value.dueOn = given.dueOn
    if (!draft.value.borrower && !draft.value.isNew && given.promised) draft.value.borrower = given.promised.borrower
  }

  async function send(idempotencyKey: string): Promise<Slip> {
    const given = form.value
    const { borrower, acceptance, dueOn, overruleReason, guide } = draft.value
    const to = picked.value
    if (!given || !acceptance || !to) throw new RangeError('the hand-out is not complete')
    const promised = given.promised && borrower?.id === given.promised.borrower.id ? given.promised.loanId : null
    const body: HandOut = {
      idempotencyKey,
      kitVersion: given.kit.version,
      promisedLoanId: promised,
      borrower: to,
      adultSeen: true,
      sunAcknowledged: true,
      agreementId: given.agreement.id,
      acceptance,
      contentsAgreed: true,
      filterChecked: draft.value.filterChecked,
      dueOn,
      overruleReason,
      guide,
    }
    return api.post(slipSchema, `/api/kits/${given.kit.id}/hand-out`, body)
  }
  return { draft, wasKept, discard, fit, hasFilter, never, lines, firstOpen, startFrom, send }
}
