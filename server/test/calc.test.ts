import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../../', import.meta.url))
const calc = (args: string[], input: string) => {
  const command = ['--conditions=@binoculum/source', '--import', 'tsx', 'server/src/calc.ts', ...args]
  const { status, stdout, stderr } = spawnSync(process.execPath, command, { cwd: root, input, encoding: 'utf8' })
  return { status, stderr, stdout }
}

it('the command line takes JSON in and gives JSON out, nothing else', () => {
  const { status, stdout } = calc(['finder.verdict'], '{"misalignmentArcmin": 15, "trueFieldDeg": 1}')
  expect([status, JSON.parse(stdout)]).toEqual([0, { fractionOfHalfField: 0.5, verdict: 'good' }])
})

it.each([
  {
    what: 'a negative aperture',
    name: 'optics.view',
    input: '{"apertureMm": -1, "focalLengthMm": 650, "eyepieceMm": 25}',
    names: 'apertureMm',
  },
  { what: 'NaN', name: 'optics.view', input: '{"apertureMm": NaN}', names: 'not JSON' },
  { what: 'an unknown calculator', name: 'optics.magic', input: '{}', names: 'optics.view' },
])('$what ends with 2 and says what is wrong on stdout, without a stack', ({ name, input, names }) => {
  const { status, stdout, stderr } = calc([name], input)
  expect(status).toBe(2)
  expect(JSON.parse(stdout)).toMatchObject({ error: { code: expect.any(String), issues: [expect.any(Object)] } })
  expect(stdout).toContain(names)
  expect(stdout + stderr).not.toMatch(/\n\s+at /)
})

it('lists the calculators, one a line', () => {
  const lines = calc([], '').stdout.trim().split('\n')
  expect(lines.map((line) => line.split(' ')[0])).toContain('readiness.judge')
})
