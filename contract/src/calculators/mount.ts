import {
  controllerEntries,
  headMomentGmm,
  mountBalance,
  mountLoad,
  mountReach,
  polarDrift,
  poleStar,
  sideOfMount,
  tubeRoll,
  tubeShift,
  vibration,
} from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'
import {
  balanceInputSchema,
  balanceSchema,
  balancedPositionSchema,
  controllerAnswerSchema,
  controllerInputSchema,
} from './mount-shapes.ts'
import { positive, latitude, skyMoment } from './shapes.ts'

export const mountCalculators = [
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
    name: 'mount.vibration',
    summary: 'how a stand swings after a tap, and when it is still',
    sources: ['exact solution of the damped oscillator'],
    input: z.strictObject({
      samples: z.array(z.strictObject({ tS: z.number(), accelMps2: z.number() })).max(20_000),
      stillFraction: z.number().gt(0).lt(1).optional(),
    }),
    output: z.object({
      frequencyHz: z.number().nullable(),
      dampingRatio: z.number().nullable(),
      settleS: z.number().nullable(),
      refused: z.enum(['no-tap', 'too-few', 'saturated']).nullable(),
      warnings: z.array(z.enum(['gaps', 'slow-sampling', 'longer-than-recorded', 'disturbed'])),
    }),
    run: (input) => {
      const told = vibration(input)
      return { ...told, warnings: [...told.warnings] }
    },
    heavy: true,
  }),
  calculator({
    name: 'mount.reach',
    summary: 'how high the eyepiece stands, and from where one looks into it',
    sources: ['geometry', 'heights of the eye: common practice, no source'],
    input: z.strictObject({
      pivotHeightMm: positive,
      pivotToEyepieceMm: z.number(),
      eyepieceOffsetMm: z.number(),
      rollDeg: z.number(),
      altitudeDeg: z.number().min(-90).max(90),
      standingEyeMm: positive.optional(),
      seatedEyeMm: positive.optional(),
      kneelingEyeMm: positive.optional(),
    }),
    output: z.object({
      eyepieceHeightMm: z.number(),
      posture: z.enum(['standing', 'seated', 'kneeling', 'step']),
      differenceMm: z.number(),
    }),
    run: mountReach,
  }),
] as const
