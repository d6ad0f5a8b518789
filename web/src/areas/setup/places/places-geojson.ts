import type { Site } from '@binoculum/contract'

/** Places as points that any map reads [RFC 7946]: longitude before latitude, WGS 84, height in metres where it is known. */
export const placesGeoJson = (sites: readonly Site[]) => ({
  type: 'FeatureCollection' as const,
  features: sites.map(({ id, name, branchName, zone, latitudeDeg, longitudeDeg, heightM }) => ({
    type: 'Feature' as const,
    id,
    geometry: {
      type: 'Point' as const,
      coordinates: [longitudeDeg, latitudeDeg, ...(heightM === null ? [] : [heightM])],
    },
    properties: { name, branch: branchName, zone },
  })),
})
