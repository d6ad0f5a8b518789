import {
  collimationQuality,
  explainWeight,
  finderParallax,
  finderVerdict,
  judgeReadiness,
  opticalView,
  type Judgement,
} from '@binoculum/core'
import { z } from 'zod'
import { judgeInputSchema, judgementSchema } from './readiness.ts'
import { explainWeightSchema, weightExplainedSchema } from './weighing.ts'

/** One calculation as everybody outside sees it: forms, HTTP, command line and docs/calculators.md come from here. */
export interface Calculator {
  readonly name: string
  readonly summary: string
  readonly sources: readonly string[]
  readonly input: z.ZodType
  readonly output: z.ZodType
  readonly run: (input: never) => unknown
  /** May take seconds: the server runs it in a worker with a time limit. */
  readonly heavy?: true
}

const calculator = <Input, Output>(entry: {
  name: string
  summary: string
  sources: readonly string[]
  input: z.ZodType<Input, unknown>
  output: z.ZodType<Output>
  run: (input: Input) => Output
  heavy?: true
}): Calculator => entry as unknown as Calculator

const point = z.object({ x: z.number(), y: z.number() })
const positive = z.number().positive()

const register: readonly Calculator[] = [
  calculator({
    name: 'optics.view',
    summary: 'magnification, field, exit pupil, resolution and verdict of an eyepiece in a tube',
    sources: [
      'geometric optics',
      'Rayleigh: first Airy zero, Abramowitz & Stegun table 9.5',
      'Dawes 1867 (from memory)',
    ],
    input: z.strictObject({
      apertureMm: positive,
      focalLengthMm: positive,
      eyepieceMm: positive,
      apparentFieldDeg: z.number().positive().lt(180).optional(),
      fieldStopMm: positive.optional(),
      barlow: positive.optional(),
    }),
    output: z.object({
      magnification: z.number(),
      focalRatio: z.number(),
      exitPupilMm: z.number(),
      trueFieldDeg: z.number().nullable(),
      rayleighArcsec: z.number(),
      dawesArcsec: z.number(),
      verdict: z.enum(['too-low', 'good', 'steady-air-only', 'empty']),
      driftSeconds: z.number().nullable(),
    }),
    run: opticalView,
  }),
  calculator({
    name: 'collimation.quality',
    summary: 'what a primary that points past the focuser costs, with its limit and verdict',
    sources: ['Born & Wolf, Principles of Optics, §5.3, §9.3', 'derivation in core/src/collimation/quality.ts'],
    input: z.strictObject({
      apertureMm: positive,
      focalLengthMm: positive,
      axisErrorMm: z.number().nonnegative(),
      wavelengthNm: positive.optional(),
      mirrorFigure: z.enum(['paraboloid', 'sphere', 'unknown']).optional(),
    }),
    output: z.object({
      comaRmsWaves: z.number(),
      strehl: z.number().nullable(),
      limitMm: z.number(),
      goodMm: z.number(),
      verdict: z.enum(['good', 'usable', 'poor']),
    }),
    run: collimationQuality,
  }),
  calculator({
    name: 'finder.parallax',
    summary: 'where a finder must point beside a near landmark so that it agrees with the tube at the stars',
    sources: ['exact geometry'],
    input: z.strictObject({ offsetMm: point, distanceM: positive }),
    output: z.object({ angleArcmin: z.number(), directionDeg: z.number(), aimOffsetMm: point }),
    run: finderParallax,
  }),
  calculator({
    name: 'finder.verdict',
    summary: 'whether what stands in the finder will stand in the eyepiece',
    sources: ['geometry; shares of the field are common practice, no source'],
    input: z.strictObject({
      misalignmentArcmin: z.number().nonnegative(),
      trueFieldDeg: z.number().positive().lt(180),
    }),
    output: z.object({ fractionOfHalfField: z.number(), verdict: z.enum(['good', 'usable', 'off']) }),
    run: finderVerdict,
  }),
  calculator({
    name: 'contents.explainWeight',
    summary: 'what is missing, exchanged or too many in a kit, from its weight, with probabilities',
    sources: [
      'conditional normal distribution, Anderson 1958, theorem 2.5.1 (from memory)',
      'checked by brute force',
    ],
    input: explainWeightSchema,
    output: weightExplainedSchema,
    run: (input) => explainWeight(input) as z.infer<typeof weightExplainedSchema>,
    heavy: true,
  }),
  calculator({
    name: 'readiness.judge',
    summary: 'whether a kit may go out, and every reason why not',
    sources: ['common practice of lending programmes, no source'],
    input: judgeInputSchema,
    output: judgementSchema,
    run: (input) => judgeReadiness(input) as Judgement as z.infer<typeof judgementSchema>,
  }),
]

export const calculators: ReadonlyMap<string, Calculator> = new Map(register.map((entry) => [entry.name, entry]))

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
