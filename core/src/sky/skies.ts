/** How dark the sky gets at a place: the Milky Way is plain, faint, or isn't seen. */
export const skies = ['dark', 'fair', 'bright'] as const
export type Sky = (typeof skies)[number]
