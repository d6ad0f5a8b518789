import { landmarkSources, NEAREST_LANDMARK_M } from '@binoculum/core'
import { z } from 'zod'
import { longitudeSchema } from './longitude.ts'
import { idSchema } from './people.ts'

export const landmarkFieldsSchema = z.object({
  name: z.string().trim().min(1, 'name it').max(80),
  /** Chimney, mast, tree top. */
  what: z.string().trim().max(80),
  distanceM: z
    .number('type how far it is, in m')
    .min(
      NEAREST_LANDMARK_M,
      `a landmark is ${NEAREST_LANDMARK_M} m away at least; nearer, print the sheet of two marks and hang it up`,
    )
    .max(200_000, 'a landmark is 200 km away at most'),
  bearingDeg: z
    .number('type its direction, ° from true north through east')
    .min(0, 'a bearing lies between 0 and 360°')
    .lt(360.000_001, 'a bearing lies between 0 and 360°'),
  heightDeg: z
    .number('type how high it stands, °; 0 on the horizon')
    .min(-60, 'between −60 and 89°')
    .max(89, 'between −60 and 89°'),
  source: z.enum(landmarkSources),
  latitudeDeg: z.number().min(-90).max(90).nullable(),
  longitudeDeg: longitudeSchema.nullable(),
  pictureId: idSchema.nullable(),
})
export type LandmarkFields = z.infer<typeof landmarkFieldsSchema>

export const landmarkSchema = landmarkFieldsSchema.extend({
  id: idSchema,
  siteId: idSchema,
  version: z.number().int(),
})
export type Landmark = z.infer<typeof landmarkSchema>
export const landmarksSchema = z.object({ landmarks: z.array(landmarkSchema) })
export type Landmarks = z.infer<typeof landmarksSchema>

/** Version null for a new one. */
export const writeLandmarkSchema = landmarkFieldsSchema.extend({ version: z.number().int().nullable() })
export type WriteLandmark = z.infer<typeof writeLandmarkSchema>

const position = z.tuple([longitudeSchema, z.number().min(-90).max(90)]).rest(z.number())

/** Landmarks as an open file [RFC 7946]: longitude first, heights in metres third. */
export const landmarkFileSchema = z.object({
  type: z.literal('FeatureCollection'),
  features: z
    .array(
      z.object({
        type: z.literal('Feature'),
        geometry: z.object({ type: z.literal('Point'), coordinates: position }),
        properties: z
          .object({
            name: z.string().optional(),
            what: z.string().optional(),
            heightDeg: z.number().optional(),
            distanceM: z.number().optional(),
            bearingDeg: z.number().optional(),
            source: z.enum(landmarkSources).optional(),
          })
          .loose()
          .nullable(),
      }),
    )
    .max(500, '500 landmarks at most'),
})
export type LandmarkFile = z.infer<typeof landmarkFileSchema>
