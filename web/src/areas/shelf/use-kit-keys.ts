import type { ShelfKit } from '@binoculum/contract'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { useRouter } from 'vue-router'
import type { KeyMap } from '../../shared/keys/use-keys.ts'
import { useSession } from '../people/session.ts'

export interface KitWays {
  readonly takeBack: boolean
  readonly handOut: boolean
  readonly check: boolean
  readonly goThrough: boolean
}

/** What this person may do with a kit now. Buttons and keys both ask here, so that a key shown is a key that works. */
export function waysOf(kit: ShelfKit, mayAct: boolean): KitWays {
  const here = mayAct && !kit.loan && kit.group !== 'gone'
  const never = kit.reasons.some(({ overrule }) => overrule === 'never')
  return {
    takeBack: mayAct && kit.loan !== null,
    handOut: here && !never,
    check: here,
    goThrough: here && kit.group === 'desk',
  }
}

/** h, t and c for the kit that is shown. */
export function useKitKeys(kit: MaybeRefOrGetter<ShelfKit | null>) {
  const router = useRouter()
  const session = useSession()
  const keys = computed<KeyMap>(() => {
    const shown = toValue(kit)
    if (!shown) return {}
    const ways = waysOf(shown, session.may(shown.branchId, 'coordinator', 'volunteer'))
    const code = encodeURIComponent(shown.code)
    const go = (path: string) => () => void router.push(path)
    return {
      ...(ways.takeBack ? { t: go(`/desk/take-back/${shown.loan?.id}`) } : {}),
      ...(ways.handOut ? { h: go(`/desk/hand-out/${code}`) } : {}),
      ...(ways.check ? { c: go(`/bench/${code}`) } : {}),
    }
  })
  return { keys }
}
