import { slipSchema, type Slip } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'

/** Makes a guide's link anew, which comes on a slip and only once, or ends it. */
export function useGuideLink() {
  const { sending, problem, run } = useSending()
  const slip = ref<Slip | null>(null)
  const ended = ref(false)
  const newLink = (loanId: string) =>
    run(async () => void (slip.value = await api.post(slipSchema, `/api/loans/${loanId}/link`)))
  const endLink = (loanId: string) =>
    run(async () => {
      await api.remove(`/api/loans/${loanId}/link`)
      ended.value = true
    })
  return { slip, ended, sending, problem, newLink, endLink }
}
