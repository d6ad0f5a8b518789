import {
  collimationQuality,
  collimationRepeat,
  collimationTurns,
  measurePhoto,
  secondaryTurns,
  secondaryTurnSentences,
  starJudge,
  starTest,
} from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'
import {
  measuredPhotoSchema,
  measurePhotoInputSchema,
  repeatInputSchema,
  repeatSchema,
  secondaryInputSchema,
  secondarySchema,
  starJudgedSchema,
  starJudgeInputSchema,
  starTestedSchema,
  starTestInputSchema,
  turnsInputSchema,
  turnsSchema,
} from './collimation-shapes.ts'
import { positive } from './shapes.ts'

export const collimationCalculators = [
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
    name: 'collimation.starJudge',
    summary: 'whether a lens or a closed tube is fit, from a star a little out of focus; never a screw',
    sources: ['Seidel terms, Born & Wolf §5.3, §9.2', 'checked against diffraction pictures of known aberrations'],
    input: starJudgeInputSchema,
    output: starJudgedSchema,
    run: (input) => {
      const judged = starJudge(input)
      return { ...judged, warnings: [...judged.warnings] }
    },
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
] as const
