import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../../', import.meta.url))
const calc = (name: string, input: string) => {
  const command = ['--conditions=@binoculum/source', '--import', 'tsx', 'server/src/calc.ts', name]
  return spawnSync(process.execPath, command, { cwd: root, input, encoding: 'utf8' })
}

it('the command line takes JSON in and gives JSON out, nothing else', () => {
  const { status, stdout, stderr } = calc('finder.verdict', '{"misalignmentArcmin": 15, "trueFieldDeg": 1}')
  expect([status, JSON.parse(stdout), stderr]).toEqual([0, { fractionOfHalfField: 0.5, verdict: 'good' }, ''])
})

it('what is wrong ends with 2, and is said on stdout without a stack', () => {
  const { status, stdout, stderr } = calc('optics.view', '{"apertureMm": -1, "focalLengthMm": 650, "eyepieceMm": 25}')
  expect(status).toBe(2)
  expect(stdout).toContain('apertureMm')
  expect(stdout + stderr).not.toMatch(/\n\s+at /)
})
