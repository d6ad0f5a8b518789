import { isHazardRole } from '../contents/filters.ts'
import { controllerEntries } from '../mount/controller-entries.ts'
import { controllerLines } from '../words/mount.ts'
import { fittingLines, type BlockFacts } from './block-text.ts'
import { blocks, type BlockDefinition } from './blocks.ts'
import type { Guide, GuideBlock, GuideInput, GuidePart, GuideText } from './guide.ts'
import { helpSheet } from './help-sheet.ts'
import { drawnKit, guideFacts, NAMES_APART, usablePowers, type GuideFacts } from './kit-facts.ts'
import { comesNearLegs, extensionOf, highestOf, kitReach, legsRoom } from './kit-reach.ts'
import { guideNights, roundedPlace, type TargetWords } from './nights.ts'
import { liesSo, placeOf } from './packing.ts'
import { inSentence, saidPart } from './said-part.ts'
import { guideLanguages, translator } from './languages/guide-languages.ts'
import { guideDate, plain, type Translator, type Said } from './said.ts'
import { putAwaySteps, setUpSteps } from './set-up-steps.ts'
import { troubleSigns } from './trouble.ts'

/** The guide for one loan: this kit's own steps, powers, contents and nights, in the order borrowers need them, in every
 * language there is.
 * @returns a whole guide; the same input gives the same guide. Parts marked missing are named as such, never listed.
 * @throws RangeError for a place or dates that are none */
export function composeGuide(input: GuideInput): Guide {
  const facts = guideFacts(input)
  const place = input.place ? roundedPlace({ ...input.place, sky: input.place.sky ?? null }) : null
  const drawn = drawnKit(input, facts)
  const extensionMm = extensionOf(input.parts)
  const reach = kitReach(drawn, extensionMm)
  const legs = legsRoom(drawn, extensionMm)
  const { nights, words } = place
    ? guideNights({
        place,
        fromDate: input.issuedOn,
        untilDate: input.dueOn,
        apertureMm: input.optics.apertureMm,
        powers: usablePowers(facts.powers).map(({ eyepiece, magnification }) => ({ name: eyepiece, magnification })),
        children: facts.tags.has('child'),
        told: input.told ?? {},
        reaches: (at) =>
          at.altitudeDeg <= highestOf(drawn) &&
          !(legs && comesNearLegs(legs, { latitudeDeg: place.latitudeDeg, ...at })),
        highestDeg: highestOf(drawn),
        withStars: facts.tags.has('driven'),
        withPole: input.mount?.equatorial ? input.mount.equatorial.sightingScope !== 'none' : false,
      })
    : { nights: [], words: {} }
  const { kitName, kitCode, modelName, branchName, emergencyLine, issuedOn, dueOn, mount = null } = input
  return {
    version: 2,
    kitName,
    kitCode,
    modelName,
    branchName,
    emergencyLine,
    issuedOn,
    dueOn,
    dueTime: input.dueTime ?? null,
    firstName: input.firstName ?? null,
    language: input.language ?? 'en',
    drawn,
    powers: facts.powers,
    place,
    nights,
    reach,
    legs,
    sightingScope: mount?.equatorial?.sightingScope ?? 'none',
    texts: Object.fromEntries(
      guideLanguages.map(({ code }) => [
        code,
        guideText({ ...input, place: place ?? undefined }, facts, words, code),
      ]),
    ),
  }
}

function guideText(
  input: GuideInput,
  facts: GuideFacts,
  targets: Readonly<Record<string, TargetWords>>,
  code: string,
): GuideText {
  const t = translator(code, input.ownWords?.[code])
  const kit = facts.kit
  const lies = liesSo(input.packing, t)
  const said = (text: string, variables = saidVariables(facts, t)) => linesOf(text, facts, t, variables)
  return {
    blocks: blocksOf(input, facts, t),
    notes: [
      ...input.parts.flatMap((part) => partNote(part, t)),
      ...(input.withoutFocus ?? []).map((chain) =>
        t.say('{chain} doesn’t come to focus on this telescope. Leave it out.', { chain }),
      ),
    ],
    contents: byPlace(facts.there, { lies, t }),
    setUp: setUpSteps(kit, t),
    putAway: putAwaySteps(kit, t).map((step) => ({ ...step, lies: lies.atStep(step.key) })),
    trouble: troubleSigns
      .filter(({ needs }) => needs.every((tag) => facts.tags.has(tag)))
      .map(({ key, sign, checks, question, answers, besides }) => ({
        key,
        sign: t.say(sign),
        checks: said(checks),
        question: t.say(question),
        answers: answers
          .filter(({ needs }) => needs === undefined || facts.tags.has(needs))
          .map(({ key: answerKey, answer, hint, then }) => ({
            key: answerKey,
            answer: t.say(answer),
            hint: t.say(hint),
            then: said(then),
          })),
        besides: besides === '' ? null : t.say(besides),
      })),
    controller: controllerOf(input, t),
    home: facts.tags.has('controller') ? (input.mount?.home?.steps ?? []).map((step) => t.say(step)) : [],
    targets: Object.fromEntries(
      Object.entries(targets).map(([id, { name, catalogue, find, look }]) => [
        id,
        { name: withNumber(t.say(name), catalogue), find: t.say(find), look: t.say(look) },
      ]),
    ),
    helpSheet:
      input.optics.collimatable && input.collimationPolicy === 'with-help-sheet'
        ? helpSheet(input.mirror ?? null, input.optics, t)
        : null,
    missing: t.missing,
  }
}

/** A beginner's name, with the number that other lists and apps know it by. */
function withNumber(name: Said, catalogue: string | null): Said {
  if (catalogue === null) return name
  return typeof name === 'string' ? `${name} (${catalogue})` : { en: `${name.en} (${catalogue})` }
}

const linesOf = (text: string, facts: BlockFacts, t: Translator, variables: Readonly<Record<string, string>>) =>
  fittingLines(text, facts).map((line) => t.say(line.text, variables))

/** Variables as a language says them: parts by their role, figures as they are. */
export function saidVariables(facts: GuideFacts, t: Translator): Readonly<Record<string, string>> {
  const { variables } = facts
  const translated: Record<string, string> = Object.fromEntries(
    (['low eyepiece', 'next eyepiece', 'barlow'] as const).flatMap((key) =>
      variables[key] === undefined ? [] : [[key, inSentence(variables[key], t)]],
    ),
  )
  const emergency = t.text(facts.kit.emergencyLine)
  const held = variables['phone eyepieces']
  if (held !== undefined)
    translated['phone eyepieces'] = held
      .split(NAMES_APART)
      .map((name) => inSentence(name, t))
      .join(NAMES_APART)
  return { ...variables, ...translated, emergency, due: guideDate(facts.kit.dueOn, t.language) }
}

/** Blocks of this kit in their order, each with the coordinator's words where there are any. */
function blocksOf(input: GuideInput, facts: GuideFacts, t: Translator): readonly GuideBlock[] {
  const variables = saidVariables(facts, t)
  const known = blocks.map(({ key }) => key as string)
  const own = (input.ownBlocks ?? []).filter(({ key }) => key.startsWith('own-')).map(({ key }) => key)
  // The Sun opens every guide, whatever the order.
  const order = ['sun', ...(input.order ?? []), ...known, ...own]
  const keys = [...new Set(order)].filter((key) => known.includes(key) || own.includes(key))
  return keys.flatMap((key): GuideBlock[] => {
    const definition = blocks.find((each) => each.key === key) ?? ownDefinition(key)
    if (definition.needs.length > 0 && !definition.needs.some((tag) => facts.tags.has(tag))) return []
    const changed = ownText(input, key, t.language)
    if (changed?.text === null && definition.stays === '') return []
    const stays = linesOf(definition.stays, facts, t, variables)
    const lines = linesOf(changed ? (changed.text ?? '') : definition.text, facts, t, variables)
    const empty = stays.length === 0 && lines.length === 0 && !composedKeys.has(key)
    if (empty) return []
    return [{ key, title: t.say(changed?.title || definition.title), stays, lines }]
  })
}

/** Blocks whose body is worked out, not written. */
const composedKeys: ReadonlySet<string> = new Set(['case', 'set-up', 'sky', 'trouble', 'away', 'power'])

const ownDefinition = (
  key: string,
): Pick<BlockDefinition, 'title' | 'needs' | 'stays' | 'text'> & { key: string } => ({
  key,
  title: '',
  needs: [],
  stays: '',
  text: '',
})

const scopes = ['kit', 'model', 'programme'] as const

/** The narrowest change that counts: in the language itself, else in English, whose sentences are then translated. */
function ownText(input: GuideInput, key: string, language: string) {
  const candidates = (input.ownBlocks ?? []).filter((each) => each.key === key)
  for (const code of [language, 'en'])
    for (const scope of scopes) {
      const found = candidates.find((each) => each.scope === scope && each.language === code)
      if (found) return found
    }
  return undefined
}

/** Contents in case order, one line for each place. */
function byPlace(
  parts: readonly GuidePart[],
  { lies, t }: { readonly lies: ReturnType<typeof liesSo>; readonly t: Translator },
): GuideText['contents'] {
  const places = new Map<string, GuidePart[]>()
  for (const part of parts) places.set(placeOf(part), [...(places.get(placeOf(part)) ?? []), part])
  return [...places].map(([place, list]) => ({
    place: t.say(place),
    lies: lies.inPlace(place),
    parts: list.map(({ name, count, role }) => ({
      name: saidPart(name, t, role),
      count,
      look: role === 'coin-cell',
    })),
  }))
}

/** Known faults, told honestly, with what to do meanwhile. */
function partNote(part: GuidePart, t: Translator) {
  if (isHazardRole(part.role)) return []
  const name = plain(saidPart(part.name, t, part.role))
  if (part.mark === 'missing')
    return [
      part.role.endsWith('cap')
        ? t.say('{part} is missing; please use a clean bag.', { part: name })
        : t.say('{part} is not in this kit at present.', { part: name }),
    ]
  if (part.mark === 'damaged') return [t.say('{part} is damaged; we know about it.', { part: name })]
  if (part.knownWear) return [t.say('{part}: {wear}. It was so before you.', { part: name, wear: part.knownWear })]
  if (part.mark === 'wrong')
    return [t.say('Something else is packed in place of {part}; we know about it.', { part: name })]
  return []
}

/** What the controller asks, answered for the borrower's place; date and time are the borrower's clock's. */
function controllerOf(input: GuideInput, t: Translator): GuideText['controller'] {
  const controller = input.mount?.controller
  if (!controller || !input.place) return []
  const { zone, latitudeDeg, longitudeDeg } = input.place
  const local = `${input.issuedOn}T22:00`
  const entries = controllerEntries({ zone, local, latitudeDeg, longitudeDeg, occurrence: 'earlier' })
  if (!('standardOffsetHours' in entries)) return []
  return controllerLines(entries, controller, null, input.place).map(({ field, words, entry, hint, careful }) => ({
    asks: t.say(words),
    entry:
      field === 'date'
        ? t.say('today, {order}', { order: t.text(controller.dateOrder.replace('-', ' ')) })
        : field === 'time'
          ? t.say('your clock’s time, {clock}', { clock: controller.clock === '24h' ? '24 h' : '12 h' })
          : t.say(entry),
    hint: field === 'date' || field === 'time' || hint === '' ? null : t.say(hint),
    careful,
  }))
}
