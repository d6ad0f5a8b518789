import type { ReadingView, ShelfKit } from '@binoculum/contract'
import { shelfWords } from './words.ts'

const t = shelfWords('shelfGroups')

export interface ShelfGroup {
  readonly key: ShelfKit['group']
  readonly title: string
  readonly note: string
  readonly kits: readonly ShelfKit[]
}

const titles: readonly (readonly [ShelfKit['group'], string, string])[] = [
  ['shelf', t('onTheShelf'), t('canItGoOutAnd')],
  ['out', t('outOnLoan'), t('firstBackOnTop')],
  ['desk', t('atTheDesk'), t('cameBackToBeGone')],
  ['bench', t('atTheBench'), t('soonestHandOutFirst')],
  ['held', t('held'), t('notToBeLent')],
  ['gone', t('lostStolenRetired'), t('keptForTheRecord')],
]

const lateLast = '9999'
const orderKey = (kit: ShelfKit) =>
  kit.group === 'out' ? (kit.loan?.dueAtUtc ?? lateLast) : (kit.next?.atUtc ?? lateLast)

/** Kits under where they are, since that is the first question asked; those of branches where this person works first. */
export function groupKits(kits: readonly ShelfKit[], mine: ReadonlySet<string> = new Set()): readonly ShelfGroup[] {
  const others = ({ branchId }: ShelfKit) => (mine.has(branchId) ? 0 : 1)
  return titles.flatMap(([key, title, note]) => {
    const members = kits
      .filter(({ group }) => group === key)
      .sort((a, b) => others(a) - others(b) || orderKey(a).localeCompare(orderKey(b)) || a.name.localeCompare(b.name))
    return members.length > 0 ? [{ key, title, note, kits: members }] : []
  })
}

/** A line of the list: a group's heading, or one of its kits. */
export interface ShelfLine {
  readonly key: string
  readonly group: ShelfGroup
  readonly kit: ShelfKit | null
}

export const shelfLines = (groups: readonly ShelfGroup[]): readonly ShelfLine[] =>
  groups.flatMap((group) => [
    { key: group.key, group, kit: null },
    ...group.kits.map((kit) => ({ key: kit.id, group, kit })),
  ])

export interface ShelfFilter {
  readonly text: string
  readonly branchId: string
  readonly condition: ShelfKit['condition'] | ''
  /** Only what was lost, stolen or retired; else none of it. */
  readonly gone?: boolean
}

export function filterKits(
  kits: readonly ShelfKit[],
  { text, branchId, condition, gone = false }: ShelfFilter,
): ShelfKit[] {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean)
  return kits.filter((kit) => {
    const line = `${kit.name} ${kit.code} ${kit.modelName} ${kit.place} ${kit.loan?.borrower ?? ''}`.toLowerCase()
    return (
      (kit.group === 'gone') === gone &&
      words.every((word) => line.includes(word)) &&
      (branchId === '' || kit.branchId === branchId) &&
      (condition === '' || kit.condition === condition)
    )
  })
}

export const readingOf = (kit: { readings: readonly ReadingView[] }, kind: ReadingView['kind']): ReadingView | null =>
  kit.readings.find((reading) => reading.kind === kind) ?? null

export const sourceWords: Readonly<Record<ReadingView['source'], string>> = {
  measured: t('measured'),
  typed: t('typedIn'),
  photo: t('fromAPhoto'),
  judged: t('judged'),
  assumed: t('assumed'),
}
