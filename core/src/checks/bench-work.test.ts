import type { Reason } from '../readiness/judged.ts'
import { skillsFor, workAhead } from './bench-work.ts'

const reason = (code: Reason['code'], minutes: number, figures: Reason['figures'] = {}): Reason => ({
  ...{ code, minutes, figures, condition: 'half', source: '', remedy: 'measure', overrule: 'coordinator' },
})

describe('what a reason asks for', () => {
  it.each([
    [reason('FINDER_OFF', 10, { kind: 'finder' }), ['finder']],
    [reason('NOT_MEASURED', 20, { kinds: 'stand,tube,collimation' }), ['assembly', 'collimation']],
    [reason('COMES_BACK_ELSEWHERE', 30, { kind: 'repeat' }), ['mending']],
    [reason('CANT_BALANCE', 10), ['balance']],
    [reason('OPEN_JOB', 15, { job: 'repair' }), ['mending']],
    [reason('NOT_COUNTED', 8, { unseen: 3 }), ['contents']],
  ])('%#', (given, skills) => expect(skillsFor(given)).toEqual(skills))
})

describe('how long a kit will take', () => {
  const finder = reason('FINDER_OFF', 10, { kind: 'finder' })
  it('goes by the reasons where nobody has timed the station', () => {
    expect(workAhead([finder], [])).toEqual({ minutes: 10, skills: ['finder'], measuredStations: 0 })
  })
  it('goes by the model’s own checks from the third one on', () => {
    const timed = (times: number) => [{ station: 'finder', medianMinutes: 6.5, times }]
    expect(workAhead([finder], timed(2)).minutes).toBe(10)
    expect(workAhead([finder], timed(3))).toEqual({ minutes: 7, skills: ['finder'], measuredStations: 1 })
  })
  it('counts a timed station once, and of a reason with several stations only what is left', () => {
    const old = reason('READING_OLD', 10, { kind: 'finder' })
    const missing = reason('NOT_MEASURED', 20, { kinds: 'finder,collimation' })
    const timed = [{ station: 'finder', medianMinutes: 6, times: 9 }]
    expect(workAhead([finder, old, missing], timed).minutes).toBe(6 + 10)
  })
})
