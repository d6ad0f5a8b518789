import { sessionReplySchema, sessionSchema, type Session, type StaffRole } from '@binoculum/contract'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { deviceZone } from '../../shared/dates.ts'
import { api, onSessionOver } from '../../shared/api/client.ts'

/** Who is signed in, and the question for the password when a session ends in the middle of something. */
export const useSession = defineStore('session', () => {
  const current = ref<Session | null>(null)
  const asksAgain = ref(false)
  let loaded = false
  let waiting: (() => void)[] = []

  async function load() {
    if (loaded) return
    current.value = (await api.get(sessionReplySchema, '/api/session')).session
    loaded = true
  }

  async function signIn(given: { email: string; password: string; code?: string }) {
    current.value = await api.post(sessionSchema, '/api/session', given)
    loaded = true
    asksAgain.value = false
    waiting.forEach((proceed) => proceed())
    waiting = []
  }

  function joined(session: Session) {
    current.value = session
    loaded = true
  }

  /** Reads again what this person may, after branches or roles changed. */
  async function refresh() {
    loaded = false
    await load()
  }

  async function signOut() {
    await api.remove('/api/session')
    current.value = null
  }

  onSessionOver(() => {
    asksAgain.value = true
    return new Promise<void>((resolve) => waiting.push(resolve))
  })

  const may = (branchId: string, ...roles: StaffRole[]) =>
    current.value?.memberships.some((member) => member.branchId === branchId && roles.includes(member.role)) ?? false
  const coordinates = computed(
    () =>
      current.value?.memberships.filter(({ role }) => role === 'coordinator').map(({ branchId }) => branchId) ?? [],
  )
  /** Days and hours are said as the branch has them, wherever this device stands; without a branch, as its own first one does. */
  const zoneOf = (branchId?: string) => {
    const memberships = current.value?.memberships ?? []
    return (memberships.find((member) => member.branchId === branchId) ?? memberships[0])?.zone ?? deviceZone
  }
  return { current, asksAgain, coordinates, zoneOf, load, refresh, signIn, joined, signOut, may }
})
