import type { z } from 'zod'
import type { Calculator } from './calculator.ts'
import { collimationCalculators } from './collimation.ts'
import { contentsCalculators } from './contents.ts'
import { finderCalculators } from './finder.ts'
import { guidesCalculators } from './guides.ts'
import { loansCalculators } from './loans.ts'
import { mountCalculators } from './mount.ts'
import { openCaseCalculators } from './open-case.ts'
import { opticsCalculators } from './optics.ts'
import { readinessCalculators } from './readiness.ts'
import { skyCalculators } from './sky.ts'
import { trendsCalculators } from './trends.ts'

/** Every feature's calculations; a new feature's are added here. */
const register = [
  ...opticsCalculators,
  ...collimationCalculators,
  ...skyCalculators,
  ...guidesCalculators,
  ...mountCalculators,
  ...finderCalculators,
  ...contentsCalculators,
  ...openCaseCalculators,
  ...readinessCalculators,
  ...loansCalculators,
  ...trendsCalculators,
] as const

type Registered = (typeof register)[number]
export type CalculatorName = Registered['name']
type Named<Name extends CalculatorName> = Extract<Registered, { name: Name }>
export type CalculatorInput<Name extends CalculatorName> = Parameters<Named<Name>['run']>[0]
export type CalculatorOutput<Name extends CalculatorName> = ReturnType<Named<Name>['run']>

/** The register by name, for who learns the name only while running. */
export const calculators: ReadonlyMap<string, Calculator> = new Map(
  (register as unknown as readonly Calculator[]).map((entry) => [entry.name, entry]),
)

export interface CalculatorIssue {
  readonly path: string
  readonly message: string
}

export type CalculatorAnswer =
  | { readonly ok: true; readonly output: unknown }
  | { readonly ok: false; readonly error: { readonly code: string; readonly issues: readonly CalculatorIssue[] } }

const refusal = (code: string, issues: readonly CalculatorIssue[]): CalculatorAnswer => ({
  ok: false,
  error: { code, issues },
})

/** Runs a calculator on anything. Never throws for bad input: the answer names the field and what is wrong with it. */
export function calculate(name: string, rawInput: unknown): CalculatorAnswer {
  const entry = calculators.get(name)
  if (!entry) {
    const known = [...calculators.keys()].join(', ')
    return refusal('UNKNOWN_CALCULATOR', [{ path: 'name', message: `There is no “${name}”. There are: ${known}.` }])
  }
  const parsed = entry.input.safeParse(rawInput)
  if (!parsed.success) return refusal('BAD_INPUT', issuesOf(parsed.error))
  try {
    return { ok: true, output: entry.run(parsed.data as never) }
  } catch (error) {
    if (error instanceof RangeError) return refusal('BAD_INPUT', [{ path: '', message: error.message }])
    throw error
  }
}

/** Zod's issues as field path and plain message. */
export const issuesOf = (error: z.ZodError): readonly CalculatorIssue[] =>
  error.issues.map((issue) => ({
    path: issue.path.join('.'),
    message: issue.code === 'unrecognized_keys' ? `unknown field: ${issue.keys.join(', ')}` : issue.message,
  }))
