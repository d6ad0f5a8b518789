import { madeSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../../shared/api/client.ts'

/** The newest picture as the server keeps it beside its figure. A figure never waits for it, and stands without it. */
export function useKeptPicture(branchId: () => string, kept: (id: string) => void) {
  const pictureId = ref<string | null>(null)
  const problem = ref(false)
  let asked = 0

  async function keep(file: File) {
    const own = ++asked
    pictureId.value = null
    problem.value = false
    try {
      const { id } = await api.upload(madeSchema, `/api/pictures?branchId=${branchId()}`, file)
      if (own !== asked) return
      pictureId.value = id
      kept(id)
    } catch {
      if (own === asked) problem.value = true
    }
  }
  return { pictureId, problem, keep }
}
