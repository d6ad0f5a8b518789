import {
  alignmentStars,
  collimationQuality,
  collimationRepeat,
  collimationTurns,
  controllerEntries,
  explainWeight,
  finderKnobs,
  finderParallax,
  finderVerdict,
  headMomentGmm,
  judgeReadiness,
  measurePhoto,
  mountBalance,
  nearFocus,
  mountLoad,
  needleDeclination,
  chainKinds,
  opticalChains,
  opticalView,
  type ChainInput,
  polarDrift,
  readingGrade,
  readingLanguages,
  poleStar,
  secondaryTurns,
  secondaryTurnSentences,
  sideOfMount,
  starTest,
  skyNight,
  skyTargets,
  sunSafety,
  tubeRoll,
  tubeShift,
  type Judgement,
} from '@binoculum/core'
import { z } from 'zod'
import {
  measuredPhotoSchema,
  measurePhotoInputSchema,
  repeatInputSchema,
  repeatSchema,
  secondaryInputSchema,
  secondarySchema,
  starTestedSchema,
  starTestInputSchema,
  turnsInputSchema,
  turnsSchema,
} from './collimation-calculators.ts'
import {
  balanceInputSchema,
  balanceSchema,
  balancedPositionSchema,
  controllerAnswerSchema,
  controllerInputSchema,
} from './mount-calculators.ts'
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
  /** Fields that hold a picture: base64 over HTTP, `path` besides on the command line; decoded before the schema sees them. */
  readonly pictures?: readonly string[]
}

const calculator = <Input, Output>(entry: {
  name: string
  summary: string
  sources: readonly string[]
  input: z.ZodType<Input, unknown>
  output: z.ZodType<Output>
  run: (input: Input) => Output
  heavy?: true
  pictures?: readonly string[]
}): Calculator => entry as unknown as Calculator

/** Null where it doesn't happen. */
const instant = z.string().nullable()
const knobTurn = z.object({ name: z.string(), turns: z.number() })
const point = z.object({ x: z.number(), y: z.number() })
const positive = z.number().positive()
const latitude = z.number().min(-90).max(90)
const longitude = z.number().min(-180, 'between -180 and 180, east +').max(180, 'between -180 and 180, east +')
const skyMoment = { latitudeDeg: latitude, longitudeDeg: longitude, atUtc: z.string() }
const alignmentStar = z.object({
  name: z.string(),
  altitudeDeg: z.number(),
  azimuthDeg: z.number(),
  magnitude: z.number(),
  hourAngleHours: z.number(),
})

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
    name: 'optics.chains',
    summary: 'which barrels go together from the focuser to the eye, and with which adapter',
    sources: ['exact enumeration', 'barrels of 24.5, 31.75 and 50.8 mm: common practice, no source'],
    input: z.strictObject({
      focuserFemaleMm: positive,
      parts: z
        .array(
          z.strictObject({
            id: z.string().min(1).max(100),
            kind: z.enum(chainKinds),
            maleMm: positive,
            femaleMm: positive.optional(),
            factor: positive.optional(),
          }),
        )
        .max(40)
        .refine((parts) => new Set(parts.map(({ id }) => id)).size === parts.length, 'two parts have the same id'),
      needsDiagonal: z.boolean().optional(),
      maxParts: z.number().int().min(0).max(5).optional(),
    }),
    output: z.object({
      chains: z.array(z.object({ eyepiece: z.string(), through: z.array(z.string()), factor: z.number() })),
      lonely: z.array(z.object({ id: z.string(), reason: z.enum(['no-barrel-fits', 'needs-diagonal']) })),
    }),
    run: opticalChains as (input: ChainInput) => never,
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
    name: 'collimation.turns',
    summary: 'which screw of the primary’s cell, which way from behind, and how far',
    sources: ['geometry of a plane on screws; checked against an exact ray trace', 'ISO 261/262 pitches'],
    input: turnsInputSchema,
    output: turnsSchema,
    run: (input) => collimationTurns(input) as z.infer<typeof turnsSchema>,
  }),
  calculator({
    name: 'collimation.secondaryTurns',
    summary: 'which screw of the secondary’s holder, looking into the open end, and whether it comes first',
    sources: ['law of reflection; derivation in core/src/collimation/secondary.ts'],
    input: secondaryInputSchema,
    output: secondarySchema,
    run: (input) => {
      const answer = secondaryTurns(input)
      return { ...answer, words: secondaryTurnSentences(answer) } as unknown as z.infer<typeof secondarySchema>
    },
  }),
  calculator({
    name: 'collimation.measurePhoto',
    summary: 'how far a primary is off, from a picture through the peephole',
    sources: ['exact geometry; checked against ray-traced pictures of known truth'],
    input: measurePhotoInputSchema,
    output: measuredPhotoSchema,
    run: (input) => measurePhoto(input) as z.infer<typeof measuredPhotoSchema>,
    heavy: true,
    pictures: ['image'],
  }),
  calculator({
    name: 'collimation.starTest',
    summary: 'how far a primary is off, from a star a little out of focus',
    sources: ['third-order coma, Born & Wolf §5.3', 'checked against wave-optical pictures of known truth'],
    input: starTestInputSchema,
    output: starTestedSchema,
    run: (input) => starTest(input) as z.infer<typeof starTestedSchema>,
    heavy: true,
    pictures: ['image', 'otherSide'],
  }),
  calculator({
    name: 'collimation.repeat',
    summary: 'how well a tube that slides open comes back to its line-up',
    sources: ['χ² interval of a spread, Abramowitz & Stegun §26.4', 'Rice distribution'],
    input: repeatInputSchema,
    output: repeatSchema,
    run: collimationRepeat,
  }),
  calculator({
    name: 'sky.sunSafety',
    summary: 'whether a tube may point there by day, and when on that date it may',
    sources: [
      'astronomy-engine, checked against a second almanac',
      'Saemundsson 1986, in Meeus ch. 16 (from memory)',
    ],
    input: z.strictObject({
      ...skyMoment,
      zone: z.string().min(1),
      target: z.strictObject({ azimuthDeg: z.number(), altitudeDeg: z.number().min(-90).max(90) }),
      marginDeg: z.number().min(20, 'under 20° is never safe').max(180).optional(),
    }),
    output: z.object({
      sunAzimuthDeg: z.number(),
      sunAltitudeDeg: z.number(),
      separationDeg: z.number(),
      safe: z.boolean(),
      safeWindows: z.array(z.object({ fromUtc: z.string(), untilUtc: z.string() })),
    }),
    run: (input) =>
      sunSafety(input) as ReturnType<typeof sunSafety> & { safeWindows: { fromUtc: string; untilUtc: string }[] },
  }),
  calculator({
    name: 'sky.night',
    summary: 'Sun, Moon and darkness from the noon of a date to the next noon',
    sources: ['astronomy-engine, checked against a second almanac', 'Meeus 48.a'],
    input: z.strictObject({
      latitudeDeg: z.number().min(-90).max(90),
      longitudeDeg: z.number().min(-180).max(180),
      date: z.iso.date(),
      zone: z.string().min(1),
    }),
    output: z.object({
      sunsetUtc: instant,
      sunriseUtc: instant,
      darkFromUtc: instant,
      darkUntilUtc: instant,
      moonriseUtc: instant,
      moonsetUtc: instant,
      state: z.enum(['normal', 'never-dark', 'always-dark']),
      moonIlluminatedFraction: z.number(),
      moonlessDarkHours: z.number(),
    }),
    run: skyNight,
  }),
  calculator({
    name: 'sky.targets',
    summary: 'what a beginner finds for sure in an evening, each when it stands best',
    sources: [
      'astronomy-engine, checked against a second almanac',
      'Meeus 53.a for the Moon’s shadows',
      'what is sure, and how dark it must be: common practice, no source',
    ],
    input: z.strictObject({
      latitudeDeg: z.number().min(-90).max(90),
      longitudeDeg: z.number().min(-180).max(180),
      date: z.iso.date(),
      zone: z.string().min(1),
      apertureMm: z.number().positive().max(2000),
      limitingMagnitude: z.number().min(0).max(8).optional(),
      untilLocalHour: z.number().int().min(17).max(23).optional(),
      powers: z
        .array(z.object({ name: z.string(), magnification: z.number().positive() }))
        .max(40)
        .optional(),
    }),
    output: z.object({
      targets: z.array(
        z.object({
          name: z.string(),
          kind: z.string(),
          bestUtc: z.string(),
          altitudeDeg: z.number(),
          azimuthDeg: z.number(),
          why: z.string(),
          eyepiece: z.string(),
          stretches: z.array(z.object({ fromUtc: z.string(), untilUtc: z.string() })),
          find: z.string(),
          look: z.string(),
        }),
      ),
      fromUtc: instant,
      untilUtc: instant,
      reason: z.string().nullable(),
    }),
    run: (input) => {
      const { targets, ...rest } = skyTargets(input)
      return { ...rest, targets: targets.map((target) => ({ ...target, stretches: [...target.stretches] })) }
    },
  }),
  calculator({
    name: 'guides.readingGrade',
    summary: 'how hard a block of a guide is to read',
    sources: ['Kincaid et al. 1975', 'Szigriszt Pazos 1993', 'syllables of English: the package syllable (MIT)'],
    input: z.strictObject({ text: z.string().max(20_000), language: z.enum(readingLanguages) }),
    output: z.object({ grade: z.number(), sentences: z.number().int(), longest: z.number().int() }),
    run: ({ text, language }) => readingGrade(text, language),
  }),
  calculator({
    name: 'mount.balance',
    summary: 'where the weights stand on their shaft, with slack, or what is missing',
    sources: ['law of the lever (Archimedes); hand-worked cases'],
    input: balanceInputSchema,
    output: balanceSchema,
    run: mountBalance,
  }),
  calculator({
    name: 'mount.headMoment',
    summary: 'the head’s own moment, from one position of the weights that was seen to balance',
    sources: ['law of the lever (Archimedes)'],
    input: balancedPositionSchema,
    output: z.object({ headMomentGmm: z.number() }),
    run: (input) => ({ headMomentGmm: headMomentGmm(input) }),
  }),
  calculator({
    name: 'mount.tubeShift',
    summary: 'how far the tube slides in its rings after something changed on it, + towards the sky',
    sources: ['law of the lever (Archimedes)'],
    input: z.strictObject({
      slidingMassG: positive,
      changes: z.array(z.strictObject({ massG: z.number(), positionMm: z.number() })),
    }),
    output: z.object({ shiftMm: z.number() }),
    run: tubeShift,
  }),
  calculator({
    name: 'mount.load',
    summary: 'what a mount carries against its rated load, weights on the shaft left out',
    sources: ['common practice, no source'],
    input: z.strictObject({
      parts: z.array(z.strictObject({ massG: z.number().nonnegative() })),
      ratedLoadG: positive,
      use: z.enum(['visual', 'exposure']),
    }),
    output: z.object({
      loadG: z.number(),
      fractionOfRated: z.number(),
      verdict: z.enum(['good', 'usable', 'over']),
      marginG: z.number(),
    }),
    run: mountLoad,
  }),
  calculator({
    name: 'mount.roll',
    summary: 'which way a tube turns in its rings, and the weight opposite that stops it',
    sources: ['law of the lever (Archimedes)'],
    input: z.strictObject({
      parts: z.array(
        z.strictObject({ massG: z.number().nonnegative(), radiusMm: z.number().nonnegative(), angleDeg: z.number() }),
      ),
      radiusMm: positive.optional(),
    }),
    output: z.object({
      momentGmm: z.number(),
      angleDeg: z.number(),
      counterMassG: z.number().nullable(),
      counterAngleDeg: z.number(),
    }),
    run: tubeRoll,
  }),
  calculator({
    name: 'mount.side',
    summary: 'on which side of the head the tube hangs, and both ways across the meridian',
    sources: ['geometry of the equatorial head'],
    input: z.strictObject({ latitudeDeg: latitude, hourAngleHours: z.number() }),
    output: z.object({
      tubeSide: z.enum(['west', 'east']),
      nearMeridian: z.boolean(),
      options: z.array(
        z.object({
          tubeSide: z.enum(['west', 'east']),
          way: z.enum(['start-on-the-far-side', 'follow-and-turn-round']).nullable(),
        }),
      ),
      hoursToMeridian: z.number().nullable(),
    }),
    run: (input) => {
      const side = sideOfMount(input)
      return { ...side, options: [...side.options] }
    },
  }),
  calculator({
    name: 'mount.poleStar',
    summary: 'where the pole’s star stands, and its place on the ring as the eye sees it',
    sources: ['Meeus, Astronomical Algorithms, 2nd ed., ch. 12, 13, 23', 'Hipparcos catalogue (ESA 1997)'],
    input: z.strictObject(skyMoment),
    output: z.object({
      star: z.string(),
      hourAngleHours: z.number(),
      altitudeDeg: z.number(),
      azimuthDeg: z.number(),
      polarDistanceDeg: z.number(),
      ringClock: z.number(),
      magnitude: z.number(),
    }),
    run: poleStar,
  }),
  calculator({
    name: 'mount.polarDrift',
    summary: 'how fast a star leaves in declination when the axis misses the pole, at worst',
    sources: ['geometry'],
    input: z.strictObject({ errorDeg: z.number().nonnegative() }),
    output: z.object({ maxDeclinationDriftArcminPerHour: z.number() }),
    run: polarDrift,
  }),
  calculator({
    name: 'mount.controllerEntries',
    summary: 'what to key into a hand controller: standard zone and daylight saving apart',
    sources: ['IANA time zone data of the runtime'],
    input: controllerInputSchema,
    output: controllerAnswerSchema,
    run: (input) => controllerEntries(input) as z.infer<typeof controllerAnswerSchema>,
  }),
  calculator({
    name: 'sky.alignmentStars',
    summary: 'a good set of stars to line up on, and what to take when one is hidden',
    sources: ['common practice, no source', 'Hipparcos catalogue (ESA 1997)'],
    input: z.strictObject({ ...skyMoment, count: z.number().int().min(1).max(3).optional() }),
    output: z.object({
      stars: z.array(alignmentStar),
      reason: z.enum(['SUN_UP', 'TOO_FEW']).nullable(),
      standIns: z.array(z.object({ hidden: z.string(), star: alignmentStar })),
    }),
    run: (input) => {
      const { stars, reason, standIns } = alignmentStars(input)
      return { stars: [...stars], reason, standIns: [...standIns] }
    },
  }),
  calculator({
    name: 'sky.needle',
    summary: 'declination of the compass needle from true north, east +',
    sources: ['World Magnetic Model 2025 (NOAA/BGS), checked against its published test values'],
    input: z.strictObject({ ...skyMoment, heightM: z.number().min(-1000).max(10_000).optional() }),
    output: z.object({
      declinationDeg: z.number().nullable(),
      changeDegPerYear: z.number().optional(),
      model: z.string().optional(),
      reason: z.enum(['OUTSIDE_MODEL', 'NEAR_MAGNETIC_POLE']).nullable(),
    }),
    run: needleDeclination,
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
    name: 'finder.nearFocus',
    summary: 'how near a telescope comes sharp, and how much farther out its drawtube goes',
    sources: ['thin-lens conjugates'],
    input: z.strictObject({
      focalLengthMm: positive,
      focusing: z.enum(['drawtube', 'moving-mirror']),
      spareTravelMm: z.number().nonnegative().optional(),
      knownNearestM: positive.optional(),
      distanceM: positive.optional(),
    }),
    output: z.object({
      nearestM: z.number().nullable(),
      extraTravelMm: z.number().nullable(),
      reason: z.enum(['formula', 'known', 'travel-unknown', 'trial-needed', 'inside-focal-length']),
      reaches: z.boolean().nullable(),
    }),
    run: nearFocus,
  }),
  calculator({
    name: 'finder.knobs',
    summary: 'which of a finder’s knobs to turn, which way and how far, and what is left',
    sources: ['linear algebra: the turns of least squares'],
    input: z.strictObject({
      misalignment: point,
      knobs: z
        .array(
          z.strictObject({
            name: z.string().min(1),
            angleDeg: z.number(),
            arcminPerTurn: positive,
            clockwise: z.enum(['towards', 'away']),
          }),
        )
        .min(1)
        .max(6),
    }),
    output: z.object({
      turns: z.array(knobTurn),
      residualArcmin: z.number(),
      rounded: z.array(knobTurn),
      roundedResidualArcmin: z.number(),
    }),
    run: (input) => {
      const { turns, rounded, ...rest } = finderKnobs(input)
      return { ...rest, turns: [...turns], rounded: [...rounded] }
    },
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
