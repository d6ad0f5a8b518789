import { chainKinds, opticalChains, opticalView, type ChainInput } from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'
import { positive } from './shapes.ts'

export const opticsCalculators = [
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
] as const
