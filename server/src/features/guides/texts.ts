import { randomUUID } from 'node:crypto'
import type { GuideTextForm, GuideTexts, IssuedGuide, Session } from '@binoculum/contract'
import {
  blockLines,
  blockOf,
  blocks,
  blockTags,
  blockVariables,
  composeGuide,
  fittingLines,
  type GuideFacts,
  guideFacts,
  type GuideInput,
  guideLanguages,
  plain,
  saidVariables,
  translator,
  type Translator,
  unknownIn,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import type { OneKit, Shelf } from '../judgement/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { GuideTextRow } from './entities.ts'
import {
  countingWords,
  guideInput,
  ORDER_KEY,
  ownWordsFor,
  withoutFocus,
  WORDS_KEY,
  type OwnWords,
} from './guide-input.ts'
import * as queries from './queries.ts'

/** Blocks as coordinators see and change them, against one kit. */
export class GuideTextsDesk {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly sheets: Sheets,
  ) {}

  async texts(session: Session, kitCode: string, language: string): Promise<GuideTexts> {
    const reader = this.context.database.reader
    const sheet = await this.sheets.sheet(session, kitCode)
    const row = await this.shelf.rowById(reader, sheet.id)
    const modelId = await queries.modelIdOf(reader, row.id)
    const lines = await queries.textsFor(reader, { branchId: row.branchId, modelId, kitId: row.id })
    const own = countingWords(lines)
    const input = await this.input(reader, row, own)
    const guide = composeGuide(input)
    const facts = guideFacts(input)
    const text = guide.texts[language] ?? guide.texts.en
    const t = translator(language, own.ownWords?.[language])
    const keys = [
      ...new Set([
        'sun',
        ...(own.order ?? []),
        ...blocks.map(({ key }) => key as string),
        ...lines.filter(({ key }) => key.startsWith('own-')).map(({ key }) => key),
      ]),
    ]
    return {
      kitCode: row.code,
      kitName: row.name,
      modelName: row.modelName,
      branchName: row.branchName,
      mayEdit: signedInAs(session, row.branchId, 'coordinator'),
      language,
      languages: guideLanguages.map(({ code, name }) => ({
        code,
        name,
        missing: guide.texts[code]?.missing.length ?? 0,
      })),
      blocks: keys.flatMap((key): GuideTexts['blocks'] => {
        const definition = blockOf(key)
        const versions = lines.filter((line) => line.key === key && line.language === language)
        if (!definition && versions.length === 0) return []
        const counts = (['kit', 'model', 'programme'] as const)
          .map((scope) => versions.find((line) => line.scope === scope && line.inUse))
          .find((line) => line !== undefined)
        return [
          {
            key,
            title: counts?.title || t.text(definition?.title ?? ''),
            because: whyHere(definition?.because ?? 'your own', facts),
            stays: inLanguage(definition?.stays ?? '', t),
            text: counts ? counts.text : inLanguage(definition?.text ?? '', t),
            defaultText: inLanguage(definition?.text ?? '', t),
            scope: counts?.scope ?? null,
            reason: counts?.reason ?? '',
            said: text?.blocks.some((block) => block.key === key) ?? false,
            versions: versions.slice(0, 12).map(({ at, key: _key, language: _language, ...rest }) => ({
              ...rest,
              atUtc: at.toISOString(),
            })),
          },
        ]
      }),
      missing: [...(text?.missing ?? [])],
      variables: { ...saidVariables(facts, t) },
      tags: [...facts.tags].sort(),
    }
  }

  /** A guide for this kit with a draft in it, as its borrower would see it. Nothing is written. */
  async preview(session: Session, draft: GuideTextForm): Promise<IssuedGuide> {
    const reader = this.context.database.reader
    const sheet = await this.sheets.sheet(session, draft.kitCode)
    const row = await this.shelf.rowById(reader, sheet.id)
    const own = await ownWordsFor(reader, row)
    const { scope, key, language, title, text } = draft
    const others = (own.ownBlocks ?? []).filter(
      (each) => !(each.scope === scope && each.key === key && each.language === language),
    )
    const ownBlocks = key.startsWith('_') ? own.ownBlocks : [...others, { scope, key, language, title, text }]
    return composeGuide(await this.input(reader, row, { ...own, ownBlocks })) as IssuedGuide
  }

  async keep(session: Session, form: GuideTextForm): Promise<void> {
    const { database, clock } = this.context
    const sheet = await this.sheets.sheet(session, form.kitCode)
    requireRole(session, sheet.branchId, ['coordinator'])
    refuseBadText(form)
    const { scope, key, language, title, text, reason, inUse } = form
    const at = clock()
    await database.inTransaction(async (tx) => {
      await tx.insert(GuideTextRow, {
        id: randomUUID(),
        branchId: sheet.branchId,
        scope,
        modelId: scope === 'model' ? await queries.modelIdOf(tx, sheet.id) : null,
        kitId: scope === 'kit' ? sheet.id : null,
        key,
        language,
        title,
        text,
        reason,
        inUse,
        byStaffId: session.staffId,
        at,
      })
      await appendRecord(tx, {
        act: 'guide-words-changed',
        at,
        branchId: sheet.branchId,
        staffId: session.staffId,
        // What holds for many kits belongs to no kit's history.
        ...(scope === 'kit' ? { kitId: sheet.id } : {}),
        after: { block: key, scope, language, leftOut: text === null, inUse },
      })
    })
  }

  private async input(tx: Tx, row: OneKit, own: OwnWords): Promise<GuideInput> {
    const place = await queries.placeOfBranch(tx, row.branchId)
    const today = DateTime.fromJSDate(this.context.clock(), { zone: row.zone }).toISODate() ?? ''
    const kit = await this.sheets.guideModel(tx, row)
    const focus = { withoutFocus: await withoutFocus(tx, row) }
    return guideInput({ ...kit, row, issuedOn: today, dueOn: today }, { ...own, ...focus }, place)
  }
}

/** A block's lines in a language, their tags as they were. */
const inLanguage = (text: string, t: Translator): string =>
  blockLines(text)
    .map((line) => [...line.tags.map((tag) => `[${tag}]`), t.text(line.text)].join(' '))
    .join('\n')

/** The first line that fits this kit. */
const whyHere = (because: string, facts: GuideFacts): string =>
  plain(translator('en').say(fittingLines(because, facts)[0]?.text ?? '', facts.variables))

/** What would make a guide worse than none: unknown blocks, variables nobody fills, a caution taken out, no reason. */
function refuseBadText({ key, language, title, text, reason }: GuideTextForm): void {
  const issues: { path: string; message: string }[] = []
  if (!guideLanguages.some(({ code }) => code === language))
    issues.push({ path: 'language', message: `must be one of ${guideLanguages.map(({ code }) => code).join(', ')}` })
  if (key === ORDER_KEY || key === WORDS_KEY) {
    if (!text) issues.push({ path: 'text', message: 'must not be empty' })
    if (key === WORDS_KEY && title === '')
      issues.push({ path: 'title', message: 'is the English sentence it stands for' })
  } else {
    const definition = blockOf(key)
    if (!definition && !key.startsWith('own-'))
      issues.push({ path: 'key', message: 'no guide has a block of this name' })
    if (!definition && text !== null && title === '') issues.push({ path: 'title', message: 'must not be empty' })
    if (text === null && reason === '') issues.push({ path: 'reason', message: 'say why it is left out' })
    if (text === null && definition && definition.stays !== '')
      issues.push({ path: 'text', message: 'its caution stays; only its other words can go' })
    const unknown = unknownIn(text ?? '', { variables: blockVariables, tags: blockTags })
    if (unknown.variables.length > 0)
      issues.push({ path: 'text', message: `nothing stands behind {${unknown.variables.join('}, {')}}` })
    if (unknown.tags.length > 0)
      issues.push({ path: 'text', message: `nothing is called [${unknown.tags.join('], [')}]` })
  }
  if (issues.length > 0) throw new Problem('BAD_INPUT', { issues })
}
