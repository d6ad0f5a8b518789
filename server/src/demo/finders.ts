import type { FinderDataView, LandmarkFields, ModelOptics } from '@binoculum/contract'
import { finderDataSchema } from '@binoculum/contract'
import { usualFinder, usualKnobs } from '@binoculum/core'

/** What the invented models' finders and focusers are, and the landmarks about the invented places. */

const own: Readonly<Record<string, Partial<FinderDataView>>> = {
  'table-114': { spareTravelMm: 24, tube: { train: 'newtonian', outDeg: 60 } },
  'slide-130': { spareTravelMm: 30, tube: { train: 'newtonian', outDeg: 75 } },
  'floor-203': { kind: 'four-screws', view: 'turned', knobs: usualKnobs('four-screws'), spareTravelMm: 38 },
  'mak-102': { knownNearestM: 6 },
  'photo-50': { kind: 'peep', knobs: [], spareTravelMm: 60 },
}

export const demoFinder = (key: string, optics: ModelOptics): FinderDataView =>
  finderDataSchema.parse({
    ...usualFinder(optics),
    ...(optics.kind === 'maksutov' ? {} : { spareTravelMm: 35 }),
    ...own[key],
  })

const landmark = (
  name: string,
  what: string,
  [distanceM, bearingDeg, heightDeg]: readonly [number, number, number],
  source: LandmarkFields['source'] = 'typed',
): LandmarkFields => ({
  name,
  what,
  distanceM,
  bearingDeg,
  heightDeg,
  source,
  latitudeDeg: null,
  longitudeDeg: null,
  pictureId: null,
})

export const demoLandmarks: Readonly<Record<string, readonly LandmarkFields[]>> = {
  'Library yard': [
    landmark('Marrow Hill mast', 'radio mast', [3100, 344, 2.4]),
    landmark('Tannery chimney', 'brick chimney', [460, 312, 4]),
    landmark('Chapel gable', 'stone gable', [140, 28, 7], 'paced'),
    landmark('Chimney over the road', 'brick chimney', [60, 205, 9], 'paced'),
  ],
  'Ferncliff field': [
    landmark('Lone pine on the ridge', 'tree top', [2400, 8, 3]),
    landmark('Barn vane', 'weather vane', [210, 260, 5], 'phone'),
  ],
}
