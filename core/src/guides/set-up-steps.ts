import type { Role } from '../contents/roles.ts'
import { stepsForKit, type ProcedureStep } from '../procedures/procedure.ts'
import { templateProcedure } from '../procedures/templates.ts'
import { massText } from '../words/figures.ts'
import type { GuideInput, GuideStep } from './guide.ts'

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

const procedureOf = (kit: GuideInput) =>
  kit.procedure ??
  templateProcedure({
    family: kit.family,
    collapsible: kit.optics.collapsible,
    parts: kit.parts.map(({ role }) => role),
  })

function guideSteps(kit: GuideInput, steps: readonly ProcedureStep[], withMass: boolean): readonly GuideStep[] {
  const part = (role: Role) => kit.parts.find((each) => each.role === role && isThere(each)) ?? null
  const nameOf = (role: Role) =>
    part(role)?.name ?? (role === 'low-eyepiece' ? 'the eyepiece with the highest number' : null)
  const named = new Set<Role>()
  return stepsForKit(steps, nameOf).map(({ title, lines, feel, caution, part: role }) => {
    const massG = withMass && role && lifted.includes(role) && !named.has(role) ? part(role)?.massG : null
    if (role && massG) named.add(role)
    return { title: massG ? `${title}, ${massText(massG)}` : title, lines, feel, caution }
  })
}

/** The model's own steps for this kit: what its case lacks is left out, what is lifted carries its mass. */
export const setUpSteps = (kit: GuideInput): readonly GuideStep[] => guideSteps(kit, procedureOf(kit).setUp, true)

export const putAwaySteps = (kit: GuideInput): readonly GuideStep[] =>
  guideSteps(kit, procedureOf(kit).takeApart, false)
