import type { Role } from '../contents/roles.ts'
import { finderKindOnCard } from '../finder/finder-kind.ts'
import { stepsForKit, type ProcedureStep, type StepDrawing } from '../procedures/procedure.ts'
import { templateProcedure } from '../procedures/templates.ts'
import { massText } from '../words/figures.ts'
import type { GuideInput, GuideStep } from './guide.ts'
import type { Said, Translator } from './said.ts'
import { inSentence } from './said-part.ts'

/** What the steps ask about the kit in hand. */
export interface KitInHand extends GuideInput {
  has(role: Role): boolean
}

const isThere = ({ mark }: GuideInput['parts'][number]) => mark === 'present' || mark === 'damaged'

export function kitInHand(input: GuideInput): KitInHand {
  const there = input.parts.filter(isThere)
  return { ...input, has: (role) => there.some((part) => part.role === role) }
}

/** Parts whose mass is worth knowing before they are lifted. */
const lifted: readonly Role[] = ['mount-head', 'counterweight', 'tube', 'base']
/** Drawings of a part being lifted; others show it where it stands. */
const liftingDrawings: readonly (StepDrawing | null)[] = ['head', 'weight', 'tube', 'base', null]

/** What is in the hands at this step; a table's kit is lifted by its base with the tube on it. */
function liftedG(kit: GuideInput, { part, drawing }: ProcedureStep): number | null {
  if (!part || !lifted.includes(part) || !liftingDrawings.includes(drawing)) return null
  const massG = partOf(kit, part)?.massG ?? null
  const riding = part === 'base' && kit.family === 'tabletop-reflector' ? partOf(kit, 'tube')?.massG : 0
  return massG === null || riding === null || riding === undefined ? massG : massG + riding
}

const procedureOf = (kit: GuideInput) =>
  kit.procedure ??
  templateProcedure({
    family: kit.family,
    collapsible: kit.optics.collapsible,
    parts: kit.parts.map(({ role }) => role),
    stand: kit.stand,
    finderKind: finderKindOnCard(kit.parts),
  })

const partOf = (kit: GuideInput, role: Role) => kit.parts.find((each) => each.role === role && isThere(each)) ?? null

/** Names in `{role}` are put in after translating, so that a language translates the sentence and the name. */
const namesFor = (kit: GuideInput, t: Translator) => (role: Role) => {
  const name = partOf(kit, role)?.name
  if (name !== undefined) return inSentence(name, t, role)
  return role === 'low-eyepiece' ? t.text('the eyepiece with the highest number') : null
}

const ROLE_NAME = /\{([a-z-]+)\}/g

function guideSteps(
  kit: GuideInput,
  steps: readonly ProcedureStep[],
  t: Translator,
  kind: { readonly undo: boolean },
): readonly GuideStep[] {
  const nameOf = namesFor(kit, t)
  const say = (text: string): Said =>
    t.say(
      text,
      Object.fromEntries(
        [...text.matchAll(ROLE_NAME)].map(([, role = '']) => [
          role,
          nameOf(role as Role) ?? role.replaceAll('-', ' '),
        ]),
      ),
    )
  const named = new Set<Role>()
  return steps.flatMap((step): GuideStep[] => {
    if (step.needs !== null && nameOf(step.needs) === null) return []
    const lines = step.lines.filter(({ needs }) => needs === null || nameOf(needs) !== null)
    if (lines.length === 0) return []
    const { part: role, title, feel, caution, drawing, key } = step
    const massG = !kind.undo && role && !named.has(role) ? liftedG(kit, step) : null
    if (role && massG) named.add(role)
    const said = say(title)
    const withMass = (text: string) => (massG ? `${text}, ${t.figure(massText(massG))}` : text)
    return [
      {
        key,
        title: typeof said === 'string' ? withMass(said) : { en: massG ? `${said.en}, ${massText(massG)}` : said.en },
        lines: lines.map(({ text }) => say(text)),
        feel,
        caution: caution === null ? null : say(caution),
        drawing,
        undo: kind.undo,
        lies: null,
      },
    ]
  })
}

/** The model's own steps for this kit: what its case lacks is left out, what is lifted carries its mass. */
export const setUpSteps = (kit: GuideInput, t: Translator): readonly GuideStep[] =>
  guideSteps(kit, procedureOf(kit).setUp, t, { undo: false })

export const putAwaySteps = (kit: GuideInput, t: Translator): readonly GuideStep[] =>
  guideSteps(kit, procedureOf(kit).takeApart, t, { undo: true })

export const setUpCount = (kit: GuideInput): number =>
  stepsForKit(procedureOf(kit).setUp, (role) => partOf(kit, role)?.name ?? (role === 'low-eyepiece' ? role : null))
    .length
