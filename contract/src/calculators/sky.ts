import { alignmentStars, needleDeclination, skyNight, skyTargets, sunSafety } from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'
import { alignmentStar, instant, skyMoment } from './shapes.ts'

export const skyCalculators = [
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
] as const
