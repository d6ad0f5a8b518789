import {
  armJoints,
  controllerFields,
  feels,
  homeDrawings,
  phases,
  stepDrawings,
  stepTests,
  stopMeetings,
  trays,
  tubeFixings,
} from '@binoculum/core'
import { z } from 'zod'
import { roleSchema } from './readiness.ts'

/** A model's mount, tube and steps, as stored with it. Messages stand by their field. */

const lengthMm = z.number('type a length in mm').positive('a length is above 0 mm').max(10_000)
const fromAxisMm = z.number('type a length in mm').nonnegative().max(10_000)

const equatorialSchema = z
  .object({
    shaftStartMm: fromAxisMm,
    shaftEndMm: lengthMm,
    weightThicknessMm: lengthMm,
    tubeAxisMm: lengthMm,
    latitudeScale: z
      .object({
        minDeg: z.number().min(0).max(90),
        maxDeg: z.number().min(0).max(90),
        stepDeg: z.number().positive().max(30),
      })
      .refine(({ minDeg, maxDeg }) => minDeg < maxDeg, {
        path: ['minDeg'],
        message: 'the scale must begin below its end',
      }),
    sightingScope: z.enum(['none', 'upright', 'turned']),
  })
  .refine(({ shaftStartMm, shaftEndMm }) => shaftStartMm < shaftEndMm, {
    path: ['shaftStartMm'],
    message: 'the shaft must leave its housing before its end: measure both from the right-ascension axis',
  })
  .refine(({ shaftStartMm, shaftEndMm, weightThicknessMm }) => weightThicknessMm < shaftEndMm - shaftStartMm, {
    path: ['weightThicknessMm'],
    message: 'the weight is longer than the bare shaft',
  })

const tubePlace = z.object({
  alongMm: z.number().min(-5000).max(5000),
  radiusMm: fromAxisMm,
  angleDeg: z.number().min(-360).max(360),
})

/** How the stand is locked, the tube fixed and the arm set on. */
export const standDataSchema = z.object({
  tray: z.enum(trays),
  fixing: z.enum(tubeFixings),
  armJoint: z.enum(armJoints).nullable(),
  axisLocks: z.boolean(),
})
export type StandView = z.infer<typeof standDataSchema>

export const mountDataSchema = z.object({
  ratedLoadG: z.number().positive('a rated load is above 0').max(500_000).nullable(),
  use: z.enum(['visual', 'exposure']),
  equatorial: equatorialSchema.nullable(),
  tube: z
    .object({
      lengthMm,
      diameterMm: lengthMm,
      frontRingMm: lengthMm,
      finder: tubePlace,
      eyepiece: tubePlace,
    })
    .refine(({ frontRingMm, lengthMm: tube }) => frontRingMm < tube, {
      path: ['frontRingMm'],
      message: 'the ring lies beyond the open end: measure from the low end',
    })
    .nullable(),
  standHeightMm: lengthMm.nullable(),
  controller: z
    .object({
      dateOrder: z.enum(['day-first', 'month-first', 'year-first']),
      clock: z.enum(['24h', '12h']),
      asks: z
        .array(z.enum(controllerFields))
        .min(1, 'say what it asks for')
        .max(controllerFields.length)
        .refine((asks) => new Set(asks).size === asks.length, 'it asks the same thing twice'),
      answers: z.partialRecord(z.enum(controllerFields), z.string().trim().max(120)).optional(),
    })
    .nullable(),
  home: z
    .object({
      steps: z.array(z.string().trim().min(1, 'say what to do').max(200)).max(12),
      drawing: z.enum(homeDrawings),
    })
    .nullable(),
  stop: z
    .object({
      highestDeg: z
        .number('type degrees above the horizon')
        .min(30, 'a tube that can’t look up to 30° is of no use: measure from the flat horizon')
        .max(90, 'straight up is 90°'),
      meets: z.enum(stopMeetings),
    })
    .nullish(),
})
export type MountDataView = z.infer<typeof mountDataSchema>

export const procedureStepSchema = z.object({
  key: z.string().trim().min(1).max(60),
  phase: z.enum(phases),
  part: roleSchema.nullable(),
  title: z.string().trim().min(1, 'name the step').max(120),
  lines: z
    .array(z.object({ text: z.string().trim().min(1, 'say what to do').max(300), needs: roleSchema.nullable() }))
    .min(1, 'say what to do')
    .max(12),
  feel: z.enum(feels).nullable(),
  check: z.string().trim().max(200),
  test: z.enum(stepTests).nullable(),
  caution: z.string().trim().max(300).nullable(),
  drawing: z.enum(stepDrawings).nullable(),
  needs: roleSchema.nullable(),
})

const stepsSchema = z
  .array(procedureStepSchema)
  .max(60)
  .refine((steps) => new Set(steps.map(({ key }) => key)).size === steps.length, 'two steps have the same key')

export const procedureSchema = z.object({ setUp: stepsSchema, takeApart: stepsSchema })
export type ProcedureView = z.infer<typeof procedureSchema>
