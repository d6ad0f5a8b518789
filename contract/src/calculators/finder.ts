import { finderKnobs, finderParallax, finderVerdict, nearFocus } from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'
import { knobTurn, point, positive } from './shapes.ts'

export const finderCalculators = [
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
] as const
