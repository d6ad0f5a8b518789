import type { FinderDataView, LandmarkFields, ModelOptics } from '@binoculum/contract'
import { finderDataSchema } from '@binoculum/contract'
import { finderOnCard, usualFinder, type FinderPart } from '@binoculum/core'

/** What the invented models' finders and focusers are, and the landmarks about the invented places. */

const own: Readonly<Record<string, Partial<FinderDataView>>> = {
  'table-110': { spareTravelMm: 24, tube: { train: 'newtonian', outDeg: 60 } },
  'slide-125': { spareTravelMm: 30, tube: { train: 'newtonian', outDeg: 75 } },
  'floor-180': { spareTravelMm: 38 },
  'mak-95': { knownNearestM: 6 },
  'photo-56': { spareTravelMm: 60 },
}

/** The finder is the one on the card; only what its part can't say stands here. */
export const demoFinder = (key: string, optics: ModelOptics, parts: readonly FinderPart[]): FinderDataView =>
  finderDataSchema.parse({
    ...finderOnCard(usualFinder(optics), parts),
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
