import { kitSheetSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { api, ApiError } from '../../shared/api/client.ts'

/** A label of another kit, and whose it is as far as this person may know. */
export interface OtherScan {
  readonly code: string
  readonly kitCode: string
  readonly kitName: string
  readonly part: string | null
}

/** Says whose a scanned label is. A label that nobody here knows is shown as it was read. */
export function useOtherScan() {
  const otherScan = ref<OtherScan | null>(null)
  let asked = 0
  async function nameScan(code: string): Promise<void> {
    const [kitCode = code, number] = code.split('/')
    otherScan.value = { code, kitCode, kitName: '', part: null }
    const own = ++asked
    try {
      const kit = await api.get(kitSheetSchema, `/api/kits/${encodeURIComponent(kitCode)}`)
      const part = number === undefined ? null : (kit.parts[Number(number) - 1]?.name ?? null)
      if (own === asked && otherScan.value) otherScan.value = { code, kitCode: kit.code, kitName: kit.name, part }
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
    }
  }
  return { otherScan, nameScan }
}
