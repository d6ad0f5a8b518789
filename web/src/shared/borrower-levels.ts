/** How much practice somebody has with a telescope. */
export const levelWords = { first: 'the first time', some: 'some practice', expert: 'experienced' } as const
