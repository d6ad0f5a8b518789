import { fileURLToPath } from 'node:url'
import { commandLine } from './command-line.ts'

const asked = async (name: string, input: object | string) => {
  const { status, output } = await commandLine(name, () =>
    typeof input === 'string' ? input : JSON.stringify(input),
  )
  return { status, ...JSON.parse(output) }
}

it.each([
  { what: 'NaN', name: 'optics.view', input: '{"apertureMm": NaN}', code: 'NOT_JSON', names: 'not JSON' },
  {
    what: 'an unknown calculator',
    name: 'optics.magic',
    input: '{}',
    code: expect.any(String),
    names: 'optics.view',
  },
  {
    ...{ what: 'a negative aperture', name: 'optics.view', code: expect.any(String), names: 'apertureMm' },
    input: { apertureMm: -1, focalLengthMm: 650, eyepieceMm: 25 },
  },
])('$what ends with 2 and says what is wrong', async ({ name, input, code, names }) => {
  const { status, error } = await asked(name, input)
  expect([status, error]).toEqual([2, expect.objectContaining({ code, issues: [expect.any(Object)] })])
  expect(JSON.stringify(error)).toContain(names)
})

it('lists the calculators, one a line, and waits for no input', async () => {
  const { status, output } = await commandLine(undefined, () => {
    throw new Error('nobody types anything')
  })
  const lines = output.trim().split('\n')
  expect([status, lines.map((line) => line.split(' ')[0])]).toEqual([0, expect.arrayContaining(['readiness.judge'])])
})

it('a picture is a path, the other side of a star too', async () => {
  const at = (name: string) => fileURLToPath(new URL(`../../../test/pictures/${name}`, import.meta.url))
  const tube = { apertureMm: 114, focalLengthMm: 450, peepholeOutsideFocusMm: 8, openEndDeg: -6 }
  const known = { ...tube, markOuterDiameterMm: 6.5, capRingDiameterMm: 21.4 }
  const measured = await asked('collimation.measurePhoto', { ...known, path: at('peephole/pub_01.jpg') })
  expect(measured.status).toBe(0)
  expect(measured.cell.axisErrorMm.y).toBeCloseTo(-1.82, 1)
  const star = { apertureMm: 130, focalLengthMm: 650, side: 'inside', defocusWaves: 8.04, secondaryMinorAxisMm: 37 }
  const both = { ...star, path: at('star/pub_star_02.png'), otherSide: { path: at('star/pub_star_03.jpg') } }
  expect((await asked('collimation.starTest', both)).comaWaves).toBeCloseTo(0.378, 1)
  const missing = await asked('collimation.measurePhoto', { ...known, path: at('peephole/none.jpg') })
  expect([missing.status, missing.error.code]).toEqual([2, 'NOT_A_PICTURE'])
})
