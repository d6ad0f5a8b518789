import type { Picture } from './planes.ts'

type Colour = readonly [red: number, green: number, blue: number]

/** From the outside in, radii as shares of the picture's side, colours 0 to 1. */
const WALL: Colour = [0.07, 0.07, 0.07]
const DISCS: readonly { readonly radius: number; readonly colour: Colour }[] = [
  { radius: 0.44, colour: [0.2, 0.2, 0.2] },
  { radius: 0.4, colour: [0.8, 0.8, 0.8] },
  { radius: 0.12, colour: [0.25, 0.25, 0.25] },
  { radius: 0.1, colour: [0.86, 0.86, 0.86] },
  { radius: 0.069, colour: [0.75, 0.4, 0.05] },
  { radius: 0.041, colour: [0.86, 0.86, 0.86] },
  { radius: 0.035, colour: [0.2, 0.2, 0.2] },
]
const SIDE_PX = 320
const OFF_CENTRE_PX = { x: 2, y: -1 }

/**
 * What a peephole shows, laid out as plain discs: drawtube, primary, the secondary's shadow, the cap's light ring and the
 * mark. It is no telescope's picture: it has a reader of pictures go every way once before a real one comes.
 */
export function madeUpView(): Picture {
  const rgba = new Uint8ClampedArray(4 * SIDE_PX * SIDE_PX).fill(255)
  for (let y = 0; y < SIDE_PX; y += 1)
    for (let x = 0; x < SIDE_PX; x += 1) {
      const fromMiddle = Math.hypot(x + 0.5 - SIDE_PX / 2 - OFF_CENTRE_PX.x, y + 0.5 - SIDE_PX / 2 - OFF_CENTRE_PX.y)
      const colour = WALL.map((wall, channel) =>
        DISCS.reduce((below, disc) => {
          const covered = Math.min(Math.max(disc.radius * SIDE_PX - fromMiddle + 0.5, 0), 1)
          return below * (1 - covered) + (disc.colour[channel] ?? 0) * covered
        }, wall),
      )
      rgba.set(
        colour.map((share) => 255 * share),
        4 * (y * SIDE_PX + x),
      )
    }
  return { widthPx: SIDE_PX, heightPx: SIDE_PX, rgba }
}
