/** Columns of a contents list that we understand. */
export const listFields = {
  kitCode: 'kit code',
  kitName: 'kit name',
  part: 'part',
  role: 'what it is',
  count: 'how many',
  mass: 'mass of one',
  unit: 'unit',
  place: 'place in the case',
  criticality: 'needed?',
  focalLength: 'focal length',
  note: 'note',
  lastSeen: 'last seen',
} as const

export type ListField = keyof typeof listFields
