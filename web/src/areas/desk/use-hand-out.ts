import type { Borrower, GuideWishes, HandOut, HandOutForm, Slip } from '@binoculum/contract'
import { computed, type Ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useDraft } from '../../shared/draft.ts'

export interface HandOutDraft {
  borrower: Borrower | null
  isNew: boolean
  name: string
  contact: string
  cardNumber: string
  adultSeen: boolean
  dueOn: string
  contentsAgreed: boolean
  sunAcknowledged: boolean
  acceptance: 'screen' | 'paper' | null
  overruleReason: string
  guide: GuideWishes
}

const empty = (): HandOutDraft => ({
  borrower: null,
  isNew: false,
  name: '',
  contact: '',
  cardNumber: '',
  adultSeen: false,
  dueOn: '',
  contentsAgreed: false,
  sunAcknowledged: false,
  acceptance: null,
  overruleReason: '',
  guide: {
    language: 'en',
    borrower: { ageGroup: 'family', level: 'first', eye: 'right', seated: false },
    place: null,
  },
})

export type LineName = 'fit' | 'borrower' | 'return' | 'contents' | 'sun' | 'agreement'

/** The hand-out's draft, which of its lines are done, and what is sent in the end. */
export function useHandOut(kitCode: string, form: Ref<HandOutForm | null>) {
  const { draft, wasKept, discard } = useDraft(`hand-out ${kitCode}`, empty, { shape: 2 })

  const fit = computed(() => {
    const condition = form.value?.kit.condition
    return condition === 'full' || condition === 'half'
  })
  const never = computed(() => form.value?.kit.reasons.some(({ overrule }) => overrule === 'never') ?? false)
  const borrowerKnown = computed(() =>
    draft.value.isNew
      ? draft.value.name.trim() !== '' && draft.value.contact.trim().length >= 3
      : draft.value.borrower !== null,
  )
  const lines = computed<Record<LineName, boolean>>(() => ({
    fit: fit.value || (!never.value && draft.value.overruleReason.trim() !== ''),
    borrower: borrowerKnown.value && draft.value.adultSeen,
    return: draft.value.dueOn !== '',
    contents: draft.value.contentsAgreed,
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
    const { borrower, isNew, name, contact, cardNumber, acceptance, dueOn, overruleReason, guide } = draft.value
    if (!given || !acceptance || (!isNew && !borrower)) throw new RangeError('the hand-out is not complete')
    const promised = given.promised && borrower?.id === given.promised.borrower.id ? given.promised.loanId : null
    const body: HandOut = {
      idempotencyKey,
      kitVersion: given.kit.version,
      promisedLoanId: promised,
      borrower: isNew || !borrower ? { name, contact, cardNumber } : { id: borrower.id },
      adultSeen: true,
      sunAcknowledged: true,
      agreementId: given.agreement.id,
      acceptance,
      contentsAgreed: true,
      dueOn,
      overruleReason,
      guide,
    }
    return api.post<Slip>(`/api/kits/${given.kit.id}/hand-out`, body)
  }
  return { draft, wasKept, discard, fit, never, lines, firstOpen, startFrom, send }
}
