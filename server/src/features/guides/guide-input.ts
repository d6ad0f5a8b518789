import { focusStationSchema, type Part } from '@binoculum/contract'
import { focusReach, repeatVerdictOf, type GuideInput, type OwnBlock } from '@binoculum/core'
import type { Tx } from '../../platform/database.ts'
import { opticsOf, type ShelfRow } from '../judgement/service.ts'
import * as queries from './queries.ts'

/** What a guide is composed from: a kit as stored, its branch's place, and coordinators' own words. */

export const ORDER_KEY = '_order'
export const WORDS_KEY = '_words'

type TextVersion = Pick<queries.TextLine, 'scope' | 'key' | 'language' | 'title' | 'text' | 'inUse'>

/** What coordinators' texts make of a guide. */
export type OwnWords = Pick<GuideInput, 'ownBlocks' | 'order' | 'ownWords'>

/** Coordinators' own blocks, their order and translations, as they count for one kit. */
export async function ownWordsFor(
  tx: Tx,
  row: Pick<ShelfRow, 'id' | 'branchId' | 'modelId'>,
): Promise<OwnWords & Pick<GuideInput, 'told' | 'packing'>> {
  const { branchId, modelId, id: kitId } = row
  const { lines, told, packing } = await queries.keptForGuide(tx, { branchId, modelId, kitId })
  return { ...countingWords(lines), told, packing }
}

/** The newest version in use of each block, scope and language; @param lines newest first */
export function countingWords(lines: readonly TextVersion[]): OwnWords {
  const newest = new Map<string, TextVersion>()
  for (const line of lines.filter(({ inUse }) => inUse)) {
    const key = [line.scope, line.key, line.language, line.key === WORDS_KEY ? line.title : ''].join('\n')
    if (!newest.has(key)) newest.set(key, line)
  }
  const counting = [...newest.values()]
  const order = (['kit', 'model', 'programme'] as const)
    .map((scope) => counting.find((line) => line.key === ORDER_KEY && line.scope === scope)?.text)
    .find((text) => text)
  const words: Record<string, Record<string, string>> = {}
  for (const { key, language, title, text } of counting)
    if (key === WORDS_KEY && text) (words[language] ??= {})[title] = text
  return {
    ownBlocks: counting
      .filter(({ key }) => !key.startsWith('_'))
      .map(({ scope, key, language, title, text }): OwnBlock => ({ scope, key, language, title, text })),
    ...(order ? { order: order.split(',') } : {}),
    ownWords: words,
  }
}

export interface KitInGuide {
  readonly row: ShelfRow
  readonly parts: readonly Part[]
  readonly model: Pick<GuideInput, 'procedure' | 'mirror' | 'mount' | 'stand'>
  readonly issuedOn: string
  readonly dueOn: string
}

/** Ways to look that didn't come to focus at the kit's last try. Nothing is asked where its readings say that all did. */
export async function withoutFocus(tx: Tx, row: ShelfRow): Promise<readonly string[]> {
  if (!row.readings.some(({ kind, asLeft, limit }) => kind === 'focus' && asLeft > limit)) return []
  const tried = focusStationSchema.safeParse(await queries.newestFocusStation(tx, row.id))
  if (!tried.success) return []
  const { travelMm, distanceM, asLeft } = tried.data
  const { focalLengthMm } = opticsOf(row)
  return asLeft.looks
    .filter((look) => focusReach(look, { focalLengthMm, travelMm, distanceM }).reaches === 'no')
    .map(({ chain }) => chain)
}

export const guideInput = (
  { row, parts, model, issuedOn, dueOn }: KitInGuide,
  own: OwnWords & Pick<GuideInput, 'withoutFocus' | 'told' | 'packing'>,
  place: GuideInput['place'] | null,
): GuideInput => ({
  kitName: row.name,
  kitCode: row.code,
  modelName: row.modelName,
  family: row.family as GuideInput['family'],
  optics: opticsOf(row),
  parts: parts.map((part) => ({ ...part, ...part.optics })),
  ...model,
  collimationPolicy: row.collimationPolicy,
  repeat: repeatVerdictOf(row.readings),
  branchName: row.branchName,
  emergencyLine: row.emergencyLine,
  issuedOn,
  dueOn,
  ...own,
  ...(place ? { place } : {}),
})
