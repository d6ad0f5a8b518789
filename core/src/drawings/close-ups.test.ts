import { balancePart, kitOnMount, roundMount } from '../testing/kit-on-mount.ts'
import { closeUps } from './close-up-strokes.ts'
import { closeUp } from './close-ups.ts'
import { dimensionsOf, type DrawnKit } from './dimensions.ts'
import { drawStep, STEP_WIDTH_PX } from './step.ts'
import { tabletopKit } from './altazimuth-kit.ts'
import { families, type Family } from '../contents/roles.ts'
import type { FinderKind } from '../finder/finder-data.ts'

const equatorial: DrawnKit = {
  family: 'equatorial-reflector',
  optics: { apertureMm: 125, focalLengthMm: 600, collapsible: false },
  mount: roundMount,
  parts: kitOnMount([balancePart('weight-shaft', 350)]).parts,
}
const drawn = (family: Family, apertureMm: number, focalLengthMm: number): DrawnKit => ({
  family,
  optics: { apertureMm, focalLengthMm, collapsible: family === 'tabletop-reflector' },
  mount: null,
  parts: [],
})
const examples: Readonly<Record<Family, DrawnKit>> = {
  'tabletop-reflector': drawn('tabletop-reflector', 125, 600),
  'floor-reflector': drawn('floor-reflector', 203, 1200),
  'equatorial-reflector': drawn('equatorial-reflector', 125, 600),
  'tripod-refractor': drawn('tripod-refractor', 70, 400),
  'altazimuth-reflector': drawn('altazimuth-reflector', 108, 470),
  'equatorial-maksutov': drawn('equatorial-maksutov', 102, 1300),
  'computer-driven': drawn('computer-driven', 125, 1900),
  'large-equatorial': drawn('large-equatorial', 120, 900),
}
const roles = [
  'bubble-level',
  'coin-cell',
  'controller',
  'counterweight',
  'diagonal',
  'tray',
  'slow-motion-rod',
] as const
const withParts = (kit: DrawnKit): DrawnKit => ({
  ...kit,
  parts: roles.map((role) => balancePart(role, 1000)),
})

it.each(closeUps)('close-up %s fills its part inside its own circle', (name) => {
  const drawn = closeUp(name, [100, 100], 50)
  expect(drawn.items.some(({ look }) => look === 'fill')).toBe(true)
  for (const item of drawn.items) if (item.kind === 'path') expect(item.d).not.toMatch(/NaN|undefined/)
})

describe('the latitude’s close-up', () => {
  const figuresAt = (latitudeDeg: number) =>
    closeUp('latitude', [0, 0], 50, latitudeDeg).items.flatMap((item) => (item.kind === 'text' ? [item] : []))
  it.each([28, 40, 52, 60])(
    'at %d° its scale stands over the pointer, higher marks gone by on the far side',
    (latitude) => {
      const scale = figuresAt(latitude).filter(({ look }) => look === 'scale')
      const nearest = [...scale].sort(
        (a, b) => Math.abs(Number(a.text) - latitude) - Math.abs(Number(b.text) - latitude),
      )[0]
      expect(Math.abs(Number(nearest?.text) - latitude)).toBeLessThan(5)
      expect(Math.abs(nearest?.x ?? 99)).toBeLessThan(3)
      for (const { text, x } of scale)
        if (Math.abs(Number(text) - latitude) > 5) expect(Math.sign(x)).toBe(Number(text) > latitude ? -1 : 1)
    },
  )
  it('names the place’s own latitude', () => {
    expect(figuresAt(41.3).map(({ text }) => text)).toContain('41°')
  })
})

it('the cell from behind: A up, B to the right, C to the left', () => {
  const letters = closeUp('cell', [0, 0], 50).items.flatMap((item) => (item.kind === 'text' ? [item] : []))
  const at = (letter: string) => letters.find(({ text }) => text === letter)
  expect(at('A')?.y).toBeLessThan(-15)
  expect(at('B')?.x).toBeGreaterThan(15)
  expect(at('C')?.x).toBeLessThan(-15)
})

it('neither diagonal nor their angles are cut off by the circle', () => {
  const [middle, radiusPx] = [100, 58]
  const from = (x: number, y: number) => Math.hypot(x - middle, y - middle)
  const drawn = closeUp('diagonal', [middle, middle], radiusPx).items.filter(
    (item) => item.kind === 'text' || ['fill', 'outline'].includes(item.look),
  )
  expect(drawn.filter(({ kind }) => kind === 'path').length).toBeGreaterThan(3)
  for (const item of drawn)
    if (item.kind === 'text') expect(from(item.x + 10 * Math.sign(item.x - middle), item.y)).toBeLessThan(radiusPx)
    else for (const [x, y] of corners(item.d)) expect(from(x, y)).toBeLessThan(radiusPx)
})

/** Corners of a path of M h v l and Z. */
function corners(d: string): readonly (readonly [number, number])[] {
  const found: (readonly [number, number])[] = []
  let [x, y] = [0, 0]
  for (const [, command = '', rest = ''] of d.matchAll(/([Mhvl])([^MhvlZ]*)/g)) {
    const [first = 0, second = 0] = rest.match(/-?[\d.]+/g)?.map(Number) ?? []
    if (command === 'M') [x, y] = [first, second]
    else [x, y] = [x + (command === 'v' ? 0 : first), y + (command === 'v' ? first : second)]
    found.push([x, y])
  }
  return found
}

describe('words beside a drawing', () => {
  const wordsOf = (...given: Parameters<typeof drawStep>) => drawStep(...given).labels.map(({ words }) => words)
  it('say where the pole is, also south of the equator', () => {
    expect(wordsOf(equatorial, 'head', { latitudeDeg: 52 })).toEqual(['north →'])
    expect(wordsOf(equatorial, 'head', { latitudeDeg: -35 })).toEqual(['south →'])
    expect(wordsOf(equatorial, 'balance', { latitudeDeg: 52 })).toEqual(['seen from the south'])
    expect(wordsOf(equatorial, 'balance', { latitudeDeg: -35 })).toEqual(['seen from the north'])
    expect(wordsOf(examples['tabletop-reflector'], 'tube')).not.toContain('north →')
  })
  it('name what a hand takes hold of for pointing, and only what lies in the case', () => {
    const kit = (family: Family, ...own: Parameters<typeof balancePart>[0][]) =>
      wordsOf({ ...examples[family], parts: own.map((role) => balancePart(role, 100)) }, 'point')
    expect(kit('tripod-refractor', 'finder', 'pan-handle')).toEqual(['finder', 'eyepiece and focus', 'handle'])
    expect(kit('tripod-refractor', 'finder')).toEqual(['finder', 'eyepiece and focus'])
    expect(kit('equatorial-reflector', 'slow-motion-rod', 'counterweight')).toContain('rod for small moves')
    expect(kit('altazimuth-reflector')).toContain('knob: how stiff it moves')
    expect(kit('computer-driven', 'controller')).not.toContain('knob: how stiff it moves')
  })
  it.each(Object.keys(families) as Family[])('%s: no two names of its knobs lie over one another', (family) => {
    const parts = (['finder', 'pan-handle', 'slow-motion-rod', 'counterweight', 'controller'] as const).map((role) =>
      balancePart(role, 100),
    )
    const { labels } = drawStep({ ...examples[family], parts }, 'point')
    expect(labels.length).toBeGreaterThanOrEqual(2)
    for (const [index, label] of labels.entries())
      for (const other of labels.slice(index + 1))
        if (other.edge === label.edge) expect(Math.abs(other.y - label.y)).toBeGreaterThanOrEqual(40)
  })
  it('say where north is at every home position that has one', () => {
    expect(wordsOf(equatorial, 'home', { latitudeDeg: 52 })).toEqual(['pole', 'north →'])
    expect(wordsOf(equatorial, 'home', { latitudeDeg: -35 })).toEqual(['pole', 'south →'])
    const driven = (drawing: 'fork' | 'marks') => ({
      ...examples['computer-driven'],
      mount: { ...roundMount, equatorial: null, home: { steps: [], drawing } },
    })
    expect(wordsOf(driven('fork'), 'home')).toEqual(['north →'])
    expect(wordsOf(driven('marks'), 'home')).toEqual([])
  })
  it('speak of the finder that this kit has', () => {
    const withFinder = (finderKind: FinderKind) => wordsOf({ ...examples['tripod-refractor'], finderKind }, 'finder')
    expect(withFinder('red-dot')).toEqual(['window to the sky'])
    expect(withFinder('two-screws')).toEqual(['wide end to the sky'])
    expect(withFinder('peep')).toEqual([])
  })
  it('name the end that looks at the sky', () => {
    expect(wordsOf(equatorial, 'tube')).toEqual(['open end, cap on'])
    expect(wordsOf(examples['tripod-refractor'], 'tube')).toEqual(['lens end, cap on'])
  })
  it('are left out at taking apart, where things go the other way', () => {
    for (const drawing of ['tube', 'weight', 'finder'] as const)
      expect(wordsOf(equatorial, drawing, { undo: true })).toEqual([])
  })
  it.each(Object.keys(families) as Family[])('%s: nothing that is drawn runs under them', (family) => {
    const kit = withParts(examples[family])
    for (const drawing of ['weight', 'tube', 'finder', 'slide-open', 'balance', 'moves'] as const) {
      const { labels, items } = drawStep(kit, drawing)
      const points = items.flatMap((item) =>
        item.kind === 'path' && item.look !== 'axis' && item.look !== 'ground'
          ? [...item.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const)
          : [],
      )
      for (const { words, x, y, edge } of labels) {
        const [from, to] = edge === 'left' ? [x, x + 60] : [x - 60, x]
        expect([words, from >= -1, to <= STEP_WIDTH_PX + 20]).toEqual([words, true, true])
        const under = points.filter(([px, py]) => px > from && px < to && Math.abs(py - y) < 7)
        expect([family, drawing, words, under]).toEqual([family, drawing, words, []])
      }
    }
  })
})

describe('what this very kit looks like', () => {
  it.each([
    ['newtonian', true],
    ['refractor', false],
    ['maksutov', false],
  ] as const)('caps of a %s: vanes behind them %s', (kind, vanes) => {
    const kit = { ...equatorial, optics: { ...equatorial.optics, kind } }
    const circle = drawStep(withParts(kit), 'caps').items.find((item) => item.kind === 'circle')
    const drawn = JSON.stringify(circle)
    const withVanes = JSON.stringify(
      drawStep(withParts(equatorial), 'caps').items.find(({ kind: is }) => is === 'circle'),
    )
    expect(drawn === withVanes).toBe(vanes)
  })
  it('a tube that slides, opened: finder and focuser sit on its upper ring, whatever its data say', () => {
    const table = examples['tabletop-reflector']
    const { mount } = table
    for (const alongMm of [-400, 0, 900]) {
      const tube = { ...(roundMount.tube as NonNullable<typeof roundMount.tube>), lengthMm: 560 }
      const place = (given: { alongMm: number; radiusMm: number; angleDeg: number }) => ({ ...given, alongMm })
      const moved = {
        ...table,
        mount: {
          ...roundMount,
          ...mount,
          tube: { ...tube, finder: place(tube.finder), eyepiece: place(tube.eyepiece) },
        },
      }
      const places = tabletopKit(dimensionsOf(moved), { altitudeDeg: 30 })
      const [open, low] = [places.at['open-end'], places.at['low-end']]
      const eye = places.at.eyepiece
      if (!open || !low || !eye) throw new Error('no ends')
      const axis = [0, 1, 2].map((i) => (open[i as 0] ?? 0) - (low[i as 0] ?? 0))
      const length = Math.hypot(...axis)
      const share =
        axis.reduce((sum, each, i) => sum + each * ((eye[i as 0] ?? 0) - (low[i as 0] ?? 0)), 0) / length ** 2
      expect(share).toBeGreaterThan(0.74)
      expect(share).toBeLessThan(1)
    }
  })
})
