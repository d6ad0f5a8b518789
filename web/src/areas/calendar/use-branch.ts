import type { StaffRole } from '@binoculum/contract'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../people/session.ts'

/** The branch whose days are looked at: of the address, the last one of this machine, or the first.
 * @param roles that somebody must have there; any where none is named */
export function useBranch(...roles: StaffRole[]) {
  const route = useRoute()
  const session = useSession()
  const branches = computed(() =>
    (session.current?.memberships ?? []).filter(({ role }) => roles.length === 0 || roles.includes(role)),
  )
  const last = useLocalStorage('binoculum calendar branch', '')
  const isMine = (id: unknown) => branches.value.some((branch) => branch.branchId === id)
  const branchId = ref([String(route.query.branch), last.value].find(isMine) ?? branches.value[0]?.branchId ?? '')
  watch(branchId, (id) => (last.value = id))
  return { branches, branchId }
}
