import { Libration, MoonPhase, type AstroTime } from 'astronomy-engine'
import { degToRad, radToDeg } from '../shared/angles.ts'

/** Places on the Moon that a small telescope shows when the Sun stands low over them. Degrees, east + as on the Moon's maps
 * (towards its sea of crises). Places rounded from the IAU's gazetteer of planetary names (public), written from memory. */
export interface MoonFeature {
  readonly id: string
  readonly name: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly look: string
}

type Row = readonly [id: string, name: string, latitudeDeg: number, longitudeDeg: number, look: string]

const rows: readonly Row[] = [
  ['crisium', 'the Sea of Crises', 17, 59.1, 'A dark oval plain with a high rim.'],
  ['langrenus', 'the crater Langrenus', -8.9, 61.1, 'A big bright crater with steps inside its walls.'],
  ['petavius', 'the crater Petavius', -25.4, 60.8, 'A crater with a long straight crack in its floor.'],
  ['posidonius', 'the crater Posidonius', 31.9, 29.9, 'A ring with smaller rings and cracks in it.'],
  [
    'theophilus',
    'the crater Theophilus',
    -11.5,
    26.3,
    'Three great craters in a row; this one has peaks in the middle.',
  ],
  ['apennines', 'the Apennine mountains', 18.9, -3.7, 'A long curved chain of mountains that throw long shadows.'],
  ['archimedes', 'the crater Archimedes', 29.7, -4, 'A smooth round floor, with two smaller craters beside it.'],
  ['ptolemaeus', 'the crater Ptolemaeus', -9.3, -1.9, 'Three big old craters in a row, the largest quite flat.'],
  ['plato', 'the crater Plato', 51.6, -9.4, 'A dark oval floor like a lake.'],
  ['tycho', 'the crater Tycho', -43.3, -11.4, 'A sharp young crater with a peak in the middle.'],
  ['clavius', 'the crater Clavius', -58.6, -14.5, 'A huge crater with a curve of smaller ones in it.'],
  ['copernicus', 'the crater Copernicus', 9.6, -20.1, 'A great round crater with steps inside its walls.'],
  ['iridum', 'the Bay of Rainbows', 44.1, -31.5, 'A half ring of mountains at the edge of a dark plain.'],
  ['gassendi', 'the crater Gassendi', -17.6, -40.1, 'A ring with cracks and two peaks in its floor.'],
  ['aristarchus', 'the crater Aristarchus', 23.7, -47.5, 'The brightest spot on the Moon, beside a winding valley.'],
  ['grimaldi', 'the plain Grimaldi', -5.4, -68.4, 'A dark oval close to the edge of the Moon.'],
]
export const moonFeatures: readonly MoonFeature[] = rows.map(([id, name, latitudeDeg, longitudeDeg, look]) => ({
  id,
  name,
  latitudeDeg,
  longitudeDeg,
  look,
}))

/** Longitude on the Moon over which the Sun stands, degrees, east +, in [−180, 180).
 * From the angle between Moon and Sun along the ecliptic and the libration; within 0.2° of Meeus's example 53.a, which is
 * enough for shadows. Its latitude stays under 1.6° and is left out. */
export function subsolarLongitudeDeg(time: AstroTime): number {
  const longitude = Libration(time).elon + 180 - MoonPhase(time)
  return ((((longitude + 180) % 360) + 360) % 360) - 180
}

/** How high the Sun stands over a place on the Moon, degrees; negative: night there. */
export function sunOverFeature(feature: MoonFeature, subsolarDeg: number): number {
  const latitude = degToRad(feature.latitudeDeg)
  return radToDeg(Math.asin(Math.cos(latitude) * Math.cos(degToRad(feature.longitudeDeg - subsolarDeg))))
}
