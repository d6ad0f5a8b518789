import type { Picture } from '@binoculum/core'
import { z } from 'zod'

/** Shapes that several features' calculations take or give. */

/** Null where it doesn't happen. */
export const instant = z.string().nullable()
export const knobTurn = z.object({ name: z.string(), turns: z.number() })
export const point = z.object({ x: z.number(), y: z.number() })
export const positive = z.number().positive()
export const latitude = z.number().min(-90).max(90)
export const longitude = z.number().min(-180, 'between -180 and 180, east +').max(180, 'between -180 and 180, east +')
export const skyMoment = { latitudeDeg: latitude, longitudeDeg: longitude, atUtc: z.string() }
export const alignmentStar = z.object({
  name: z.string(),
  altitudeDeg: z.number(),
  azimuthDeg: z.number(),
  magnitude: z.number(),
  hourAngleHours: z.number(),
})

/** Pixels, decoded by whoever holds the file: core functions never read files. */
export const pictureSchema = z.custom<Picture>(
  (value) =>
    typeof value === 'object' &&
    value !== null &&
    'rgba' in value &&
    (value.rgba instanceof Uint8Array || value.rgba instanceof Uint8ClampedArray),
  'send the picture: its file as base64 here, or on the command line its place as path',
)
