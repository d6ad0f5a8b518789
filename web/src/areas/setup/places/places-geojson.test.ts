import type { Site } from '@binoculum/contract'
import { placesGeoJson } from './places-geojson.ts'

const site = (rest: Partial<Site>) =>
  ({
    id: 'a',
    name: 'Yard',
    branchName: 'Library',
    zone: 'Europe/Dublin',
    latitudeDeg: 52.7,
    longitudeDeg: -8.9,
    ...rest,
  }) as Site

it('is a collection of points, longitude first, with the height where somebody knows it', () => {
  const { type, features } = placesGeoJson([
    site({ heightM: 40 }),
    site({ id: 'b', heightM: null, latitudeDeg: -33 }),
  ])
  expect(type).toBe('FeatureCollection')
  // RFC 7946, 3.1.1: the first two elements are longitude and latitude, a third may be the height above the ellipsoid.
  expect(features.map(({ geometry }) => geometry.coordinates)).toEqual([
    [-8.9, 52.7, 40],
    [-8.9, -33],
  ])
  expect(features[0]).toMatchObject({
    type: 'Feature',
    id: 'a',
    properties: { name: 'Yard', branch: 'Library', zone: 'Europe/Dublin' },
  })
  expect(placesGeoJson([]).features).toEqual([])
})
