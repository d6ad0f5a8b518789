import type { Role } from '../contents/roles.ts'

/** How tight a joint is made; the scale people use. */
export const feels = ['free', 'finger-snug', 'firm', 'tight', 'spanner-tight'] as const
export type Feel = (typeof feels)[number]

/** Where on the bench a step is run through. */
export const phases = ['unpack', 'stand', 'mount', 'tube', 'fit-out'] as const
export type Phase = (typeof phases)[number]

/** Steps that are tested by more than a look. */
export const stepTests = [
  'level',
  'tray-holds',
  'rod-turns',
  'friction',
  'clutches',
  'hits-stand',
  'three-moves',
] as const
export type StepTest = (typeof stepTests)[number]

/** Drawings that a step may have; a model whose figures are not known has none. */
export const stepDrawings = [
  'legs',
  'tray',
  'head',
  'latitude',
  'rods',
  'weight',
  'tube',
  'finder',
  'caps',
  'eyepiece',
  'balance',
  'moves',
  'point',
  'table',
  'base',
  'slide-open',
  'tension',
  'unpack',
  'diagonal',
  'drive',
  'home',
  'close',
  'pack',
] as const
export type StepDrawing = (typeof stepDrawings)[number]

export interface StepLine {
  readonly text: string
  /** Said only where the case holds such a part. */
  readonly needs: Role | null
}

/** One step of putting a kit together. In texts `{role}` stands for the name of that part in the case. */
export interface ProcedureStep {
  /** Stays with a step through edits, so that its times and findings stay with it. */
  readonly key: string
  readonly phase: Phase
  /** The part in question. */
  readonly part: Role | null
  readonly title: string
  readonly lines: readonly StepLine[]
  readonly feel: Feel | null
  /** What shows that it is right. */
  readonly check: string
  readonly test: StepTest | null
  readonly caution: string | null
  readonly drawing: StepDrawing | null
  /** Left out where the case holds no such part. */
  readonly needs: Role | null
}

/** A model's way of putting together and taking apart. */
export interface Procedure {
  readonly setUp: readonly ProcedureStep[]
  readonly takeApart: readonly ProcedureStep[]
}

export type ProcedureWarningCode =
  | 'TUBE_BEFORE_WEIGHT'
  | 'WEIGHT_WITHOUT_END'
  | 'HEAD_BEFORE_TRAY'
  | 'LEGS_WITHOUT_TRAY'
  | 'TUBE_BEFORE_HEAD'
  | 'WEIGHT_OFF_BEFORE_TUBE'
  | 'TRAY_OFF_BEFORE_TUBE'
  | 'HEAD_OFF_BEFORE_TUBE'
  | 'CAPS_OFF_BEFORE_TUBE_ON'

/** An order that can hurt somebody or something. Nothing is refused: people may have their reasons. */
export interface ProcedureWarning {
  readonly code: ProcedureWarningCode
  /** The step it stands by. */
  readonly stepKey: string
  readonly why: string
}

/** Orders that can hurt, with the reason. @param parts roles that the model's card holds */
export function procedureWarnings(
  { setUp, takeApart }: Procedure,
  parts: readonly Role[],
): readonly ProcedureWarning[] {
  const has = (role: Role) => parts.includes(role)
  const up = placesOf(setUp)
  const down = placesOf(takeApart)
  const warnings: ProcedureWarning[] = []
  const warn = (code: ProcedureWarningCode, step: ProcedureStep | undefined, why: string) => {
    if (step) warnings.push({ code, stepKey: step.key, why })
  }
  const tube = up.first('tube')
  if (has('counterweight') && tube && !(up.at('counterweight') < up.at('tube')))
    warn('TUBE_BEFORE_WEIGHT', tube, 'With the tube on before the weight, the stand can tip over on somebody’s feet.')
  const weight = up.first('counterweight')
  const speaksOfStop = setUp.some(
    ({ lines, part }) => part === 'shaft-end-stop' || lines.some(({ text }) => /end stop/i.test(text)),
  )
  if (has('shaft-end-stop') && weight && !speaksOfStop)
    warn(
      'WEIGHT_WITHOUT_END',
      weight,
      'No step puts the end stop back on: without it a weight that slips falls on feet.',
    )
  const legs = up.first('tripod-legs')
  if (has('tray') && legs && !up.first('tray'))
    warn('LEGS_WITHOUT_TRAY', legs, 'No step locks the legs with their tray: they can fold under the load.')
  for (const role of ['mount-head', 'tube'] as const)
    if (has('tray') && up.first('tray') && up.at(role) < up.at('tray'))
      warn(
        'HEAD_BEFORE_TRAY',
        up.first(role),
        'The legs are not locked by their tray yet: they can fold under the load.',
      )
  if (has('mount-head') && tube && up.at('tube') < up.at('mount-head'))
    warn('TUBE_BEFORE_HEAD', tube, 'There is no head yet that could hold the tube.')
  const tubeOff = down.at('tube')
  const before = (role: Role) => down.first(role) && down.at(role) < tubeOff
  if (has('counterweight') && before('counterweight'))
    warn(
      'WEIGHT_OFF_BEFORE_TUBE',
      down.first('counterweight'),
      'With the weight off before the tube, the tube side drops and the stand can tip over.',
    )
  if (has('tray') && before('tray'))
    warn('TRAY_OFF_BEFORE_TUBE', down.first('tray'), 'With the tray off while the tube is on, the legs can fold.')
  if (has('mount-head') && before('mount-head'))
    warn(
      'HEAD_OFF_BEFORE_TUBE',
      down.first('mount-head'),
      'The head with the tube on it is heavy and turns in the hand. Take the tube off first.',
    )
  if (tube && up.first('front-cap') && up.at('front-cap') < up.at('tube'))
    warn(
      'CAPS_OFF_BEFORE_TUBE_ON',
      up.first('front-cap'),
      'A dropped screw or a finger reaches the mirror: leave the cap on until the tube is on.',
    )
  return warnings
}

function placesOf(steps: readonly ProcedureStep[]) {
  const at = (role: Role) => {
    const index = steps.findIndex(({ part }) => part === role)
    return index < 0 ? Infinity : index
  }
  return { at, first: (role: Role) => steps[at(role)] }
}

/** What a kit's own contents leave of a procedure: steps and lines about parts it hasn't got fall away, names are put in.
 * @param nameOf name of a part in the case, null where there is none */
export function stepsForKit(
  steps: readonly ProcedureStep[],
  nameOf: (role: Role) => string | null,
): readonly (Omit<ProcedureStep, 'lines'> & { readonly lines: readonly string[] })[] {
  const named = (text: string) =>
    text.replace(/\{([a-z-]+)\}/g, (_all, role: string) => nameOf(role as Role) ?? `the ${role.replaceAll('-', ' ')}`)
  return steps.flatMap((step) => {
    if (step.needs !== null && nameOf(step.needs) === null) return []
    const lines = step.lines.filter(({ needs }) => needs === null || nameOf(needs) !== null)
    if (lines.length === 0) return []
    return [{ ...step, title: named(step.title), lines: lines.map(({ text }) => named(text)) }]
  })
}
