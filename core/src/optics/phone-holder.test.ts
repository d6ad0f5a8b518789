import { phoneFit } from './phone-holder.ts'

const eyepiece = (name: string, outerMm?: number) => ({ name, role: 'eyepiece', outerMm }) as const
const holder = { name: 'Phone holder', role: 'phone-holder', gripsFromMm: 28, gripsUntilMm: 46 } as const

it('tells what its clamp closes on, at both ends of it too, and says nothing of what nobody measured', () => {
  const parts = [
    ...[eyepiece('4 mm', 27.9), eyepiece('10 mm', 28), eyepiece('20 mm', 46), eyepiece('32 mm', 46.1)],
    ...[eyepiece('25 mm'), holder],
  ]
  expect(phoneFit(parts)).toEqual({
    fits: ['10 mm', '20 mm'],
    tooWide: ['32 mm'],
    tooThin: ['4 mm'],
    unmeasured: ['25 mm'],
  })
})

it('says nothing without a holder, or of one that nobody measured', () => {
  expect(phoneFit([eyepiece('10 mm', 30)])).toBeNull()
  expect(phoneFit([eyepiece('10 mm', 30), { name: 'Phone holder', role: 'phone-holder' }])).toBeNull()
})
