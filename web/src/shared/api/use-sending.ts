import { ref } from 'vue'
import { ApiError } from './client.ts'

/** One write at a time, with its problem beside it. The same key goes with every try, so nothing is done twice. */
export function useSending() {
  const sending = ref(false)
  const problem = ref<ApiError | null>(null)
  const idempotencyKey = ref<string>(crypto.randomUUID())

  /** Runs `work` unless one is running already; true when it went well. */
  async function run(work: (key: string) => Promise<void>): Promise<boolean> {
    if (sending.value) return false
    sending.value = true
    problem.value = null
    try {
      await work(idempotencyKey.value)
      idempotencyKey.value = crypto.randomUUID()
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      problem.value = error
      // A refusal did nothing, so the corrected form is a new write. After a lost answer the key must stay.
      if (error.status !== 0 && error.status < 500) idempotencyKey.value = crypto.randomUUID()
      return false
    } finally {
      sending.value = false
    }
  }
  return { sending, problem, run }
}
