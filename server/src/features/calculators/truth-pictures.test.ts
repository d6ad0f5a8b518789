import { readFileSync } from 'node:fs'
import { measurePhoto, starTest, type Picture } from '@binoculum/core'
import { longTest } from '../../../../core/src/testing/sweep.ts'
import { decodePicture } from './decode-picture.ts'

/**
 * Pictures computed from physics by programs of others: the peephole views by a general-purpose ray tracer with real
 * reflections, the stars by wave optics. `given.json` is what a user would know, `truth.json` the exact answers.
 */
const folder = new URL('../../../test/pictures/', import.meta.url)
const json = (path: string) => JSON.parse(readFileSync(new URL(path, folder), 'utf8'))
const picture = (path: string): Promise<Picture> => decodePicture(readFileSync(new URL(path, folder)))

interface Peephole {
  readonly file: string
  readonly difficulty: 'easy' | 'medium' | 'hard'
  readonly given: Readonly<Record<string, number>>
  readonly physical: {
    readonly axis_error_focal_plane_hx_hy_mm: readonly [number, number]
    readonly focuser_error_at_primary_ex_ey_mm: readonly [number, number]
  }
  readonly pixels: Readonly<Record<string, { readonly cx: number; readonly cy: number; readonly r: number }>>
}

const givenOf = (g: Readonly<Record<string, number>>) => ({
  apertureMm: g.D_mm ?? 0,
  focalLengthMm: g.f_mm ?? 0,
  peepholeOutsideFocusMm: g.peephole_outside_focal_plane_mm ?? 0,
  openEndDeg: 90 - (g.image_angle_of_plusX_deg_ccw_from_right ?? 0),
})
const sizesOf = (g: Readonly<Record<string, number>>) => ({
  markOuterDiameterMm: g.mark_outer_diameter_mm ?? 0,
  capRingDiameterMm: g.cap_ring_outer_diameter_mm ?? 0,
  drawtubeInnerDiameterMm: g.drawtube_inner_diameter_mm ?? 0,
  secondaryMinorAxisMm: g.secondary_minor_axis_mm ?? 0,
})
const distance = (a: { x: number; y: number }, [x = 0, y = 0]: readonly number[]) => Math.hypot(a.x - x, a.y - y)

describe('pictures through the peephole, against a ray tracer’s truth', () => {
  const images: readonly Peephole[] = json('peephole/truth.json').images

  it.each(images)('$file ($difficulty)', async ({ file, difficulty, given, physical, pixels }) => {
    const measured = measurePhoto({ image: await picture(`peephole/${file}`), ...givenOf(given), ...sizesOf(given) })
    expect(measured.refused).toBeNull()
    const off = distance(measured.cell?.axisErrorMm ?? { x: 99, y: 99 }, physical.axis_error_focal_plane_hx_hy_mm)
    expect(off).toBeLessThan(difficulty === 'hard' ? 0.6 : 0.25)
    // The promise of the interval: 95 of 100, so all ten may be asked for with one half more.
    expect(off).toBeLessThan(1.5 * measured.axisErrorUncertaintyMm)
    const secondary = measured.cell?.secondaryErrorMm
    expect(distance(secondary ?? { x: 99, y: 99 }, physical.focuser_error_at_primary_ex_ey_mm)).toBeLessThan(3.5)
    for (const [circle, truth] of [
      [measured.primaryEdge, pixels.primary_edge],
      [measured.capRing, pixels.cap_ring_reflected],
      [measured.centreMark, pixels.mark_outer],
    ] as const)
      expect(Math.hypot((circle?.xPx ?? 0) - (truth?.cx ?? 0), (circle?.yPx ?? 0) - (truth?.cy ?? 0))).toBeLessThan(
        1.2,
      )
  })

  longTest().each(images)(
    '$file again, with nobody having typed what mark and cap measure',
    async ({ file, given, physical }) => {
      const measured = measurePhoto({ image: await picture(`peephole/${file}`), ...givenOf(given) })
      const off = distance(measured.cell?.axisErrorMm ?? { x: 99, y: 99 }, physical.axis_error_focal_plane_hx_hy_mm)
      expect(measured.refused ? 0 : off).toBeLessThan(0.6)
    },
  )

  longTest()(
    'a picture turned over in a mirror gives the same answer when that is said, and the mirrored one when not',
    async () => {
      const [first] = images
      if (!first) throw new Error('no picture')
      const { rgba, widthPx, heightPx } = await picture(`peephole/${first.file}`)
      const turned = new Uint8Array(rgba.length)
      for (let row = 0; row < heightPx; row++)
        for (let column = 0; column < widthPx; column++)
          for (let k = 0; k < 4; k++)
            turned[(row * widthPx + column) * 4 + k] = rgba[(row * widthPx + widthPx - 1 - column) * 4 + k] ?? 0
      const image = { widthPx, heightPx, rgba: turned }
      const { openEndDeg, ...rest } = givenOf(first.given)
      const said = measurePhoto({ image, ...rest, openEndDeg: -openEndDeg, mirrored: true })
      const unsaid = measurePhoto({ image, ...rest, openEndDeg: -openEndDeg })
      const [hx, hy] = first.physical.axis_error_focal_plane_hx_hy_mm
      expect(distance(said.cell?.axisErrorMm ?? { x: 99, y: 99 }, [hx, hy])).toBeLessThan(0.25)
      expect(distance(unsaid.cell?.axisErrorMm ?? { x: 99, y: 99 }, [hx, -hy])).toBeLessThan(0.25)
    },
  )
})

interface Star {
  readonly file: string
  readonly given: Readonly<Record<string, number>> & { readonly side_of_focus: 'inside' | 'outside' }
  readonly pixels: { readonly offset_inner_minus_outer: readonly [number, number]; readonly outer_radius: number }
  readonly physical: { readonly coma_W131_waves550: number; readonly one_sided_W131_estimate_waves550: number }
}

describe('stars out of focus, against wave optics', () => {
  const images: readonly Star[] = json('star/truth.json').images
  const others = new Map<string, string | undefined>(
    json('star/given.json').images.map((image: { file: string; given: { other_side_of_focus?: string } }) => [
      image.file,
      image.given.other_side_of_focus,
    ]),
  )
  const measure = async ({ file, given }: Star, bothSides: boolean) => {
    const other = others.get(file)
    return starTest({
      image: await picture(`star/${file}`),
      apertureMm: given.D_mm ?? 0,
      focalLengthMm: given.f_mm ?? 0,
      side: given.side_of_focus,
      defocusWaves: given.defocus_W020_waves550,
      secondaryMinorAxisMm: given.secondary_minor_axis_mm,
      ...(bothSides && other ? { otherSide: await picture(`star/${other}`) } : {}),
    })
  }

  it('reads the offset within 0.02 + 0.12 of it on seven of eight at least', async () => {
    const within = await Promise.all(
      images.map(async (star) => {
        const { offsetFraction, refused } = await measure(star, false)
        const truth = star.pixels.offset_inner_minus_outer.map((px) => px / star.pixels.outer_radius)
        return !refused && distance(offsetFraction, truth) <= 0.02 + 0.12 * Math.hypot(...truth)
      }),
    )
    expect(within.filter(Boolean).length).toBeGreaterThanOrEqual(7)
  })

  /** As a phone writes it: brightness by the usual curve instead of by light. */
  const withToneCurve = (image: Picture): Picture => ({
    ...image,
    rgba: Uint8ClampedArray.from(image.rgba, (value, at) =>
      at % 4 === 3 ? value : 255 * (value / 255) ** (1 / 2.2),
    ),
  })
  /** Two of them carry a curve as they are. */
  const curved = ['pub_star_06.jpg', 'pub_star_08.png']

  longTest().each(images)('$file: the disc’s own size, with a phone’s tone curve or without', async (star) => {
    const { file, given, pixels } = star
    const plain = await picture(`star/${file}`)
    const known = {
      apertureMm: given.D_mm ?? 0,
      focalLengthMm: given.f_mm ?? 0,
      defocusWaves: given.defocus_W020_waves550,
      secondaryMinorAxisMm: given.secondary_minor_axis_mm,
    }
    const truth = pixels.offset_inner_minus_outer.map((px) => px / pixels.outer_radius)
    for (const image of curved.includes(file) ? [plain] : [plain, withToneCurve(plain)]) {
      const { disc, offsetFraction } = starTest({ image, ...known })
      expect(Math.abs((disc?.radiusPx ?? 0) / pixels.outer_radius - 1)).toBeLessThan(0.07)
      expect(distance(offsetFraction, truth)).toBeLessThan(0.02 + 0.12 * Math.hypot(...truth))
    }
    // Where nobody typed the secondary's size, the doubt is told.
    const { secondaryMinorAxisMm: _unknown, ...rest } = known
    expect(starTest({ image: plain, ...rest }).warnings).toContain('tone-unknown')
  })

  longTest().each(images.filter(({ file }) => others.get(file)))(
    '$file with its other side: the mean is free of the secondary’s own offset',
    async (star) => {
      const both = await measure(star, true)
      const one = await measure(star, false)
      const truth = star.physical.coma_W131_waves550
      expect(Math.abs((both.comaWaves ?? 0) - truth)).toBeLessThan(0.2 * truth)
      expect(both.warnings).not.toContain('one-sided')
      expect(one.warnings).toContain('one-sided')
      // One side alone tells the other thing, as wave optics says it must.
      expect(Math.abs((one.comaWaves ?? 0) - star.physical.one_sided_W131_estimate_waves550)).toBeLessThan(0.25)
    },
  )
})
