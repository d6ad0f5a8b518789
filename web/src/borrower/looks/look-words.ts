/** Sentences that these forms choose from; each language has to know them. */
export const lookTitles = {
  peephole: 'Is the mirror lined up? Take a photo',
  star: 'Take a photo of a star, out of focus',
  finder: 'Does the finder point right? Look at something far away',
  case: 'Take a photo of the open case',
} as const

/** Where a tube's open end may be in a photo, each 45° farther clockwise. */
export const directions = [
  ...['up', 'upper right', 'right', 'lower right'],
  ...['down', 'lower left', 'left', 'upper left'],
] as const

export const aimWords = {
  dot: 'Put the dot on it.',
  cross: 'Put the cross on it.',
  sight: 'Aim the sight at it.',
} as const
