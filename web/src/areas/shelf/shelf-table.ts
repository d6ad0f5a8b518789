import type { ShelfKit } from '@binoculum/contract'
import { conditionWords, lookSentence, reasonSentence } from '@binoculum/core'
import { readingText } from '../../shared/reading-text.ts'
import { readingOf } from './shelf-groups.ts'

/** The shelf as it is seen, as a table for a file: the same order, the same words. */
export const shelfTable = (groups: readonly { readonly title: string; readonly kits: readonly ShelfKit[] }[]) =>
  groups.flatMap(({ title, kits }) =>
    kits.map((kit) => {
      const [mirror, finder] = [readingOf(kit, 'collimation') ?? readingOf(kit, 'star'), readingOf(kit, 'finder')]
      return {
        ...{ where: title, code: kit.code, name: kit.name, model: kit.modelName },
        condition: conditionWords[kit.condition],
        reason: kit.reasons.map(reasonSentence).join(' '),
        look: kit.look ? lookSentence(kit.look) : '',
        ...{ place: kit.place, due: kit.loan?.dueAtUtc ?? '', 'days late': kit.loan?.daysLate ?? '' },
        ...{ next: kit.next?.atUtc ?? '', 'next borrower': kit.next?.borrower ?? '' },
        ...{ mirror: mirror ? readingText(mirror) : '', finder: finder ? readingText(finder) : '' },
      }
    }),
  )
