import { madeUpView } from './made-up-view.ts'
import { measurePhoto } from './measure-photo.ts'

it('a reader goes the whole way on it: edge, mark and the cap’s ring are found where they were laid', () => {
  const { refused, primaryEdge, centreMark, capRing } = measurePhoto({
    image: madeUpView(),
    apertureMm: 114,
    focalLengthMm: 500,
    peepholeOutsideFocusMm: 12,
  })
  expect(refused).toBeNull()
  for (const [circle, radius] of [
    [primaryEdge, 0.4],
    // Somewhere on the mark's own ring, 0.041 to 0.069.
    [centreMark, 0.065],
    [capRing, 0.1],
  ] as const)
    expect([circle?.xPx, circle?.yPx, circle?.radiusPx].map((px) => Math.round(px ?? NaN))).toEqual([
      162,
      159,
      Math.round(radius * 320),
    ])
})
