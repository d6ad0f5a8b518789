import {
  controllerEntries,
  headMomentGmm,
  mountBalance,
  mountLoad,
  polarDrift,
  poleStar,
  sideOfMount,
  tubeRoll,
  tubeShift,
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
] as const
