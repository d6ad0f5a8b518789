import { isZoneFar, needsYes, sunQuestion, zoneMismatchDeg } from './sun-question.ts'

const dublin = { latitudeDeg: 53.3, longitudeDeg: -6.3, zone: 'Europe/Dublin' }
const NIGHT = '2026-11-28T22:00:00Z'
const DAY = '2026-11-28T12:00:00Z'

it('falls away at night, where both clocks and the place can be believed', () => {
  expect(sunQuestion({ place: dublin, deviceUtc: NIGHT, serverUtc: NIGHT })).toMatchObject({
    asked: false,
    doubt: null,
  })
  expect(sunQuestion({ place: dublin, deviceUtc: DAY, serverUtc: DAY })).toMatchObject({ asked: true, doubt: null })
})

it.each([
  {
    what: 'a device at ten at night while the server has noon',
    deviceUtc: NIGHT,
    serverUtc: DAY,
    doubt: 'clocks-differ',
  },
  { what: 'six minutes apart', deviceUtc: '2026-11-28T22:06:01Z', serverUtc: NIGHT, doubt: 'clocks-differ' },
  { what: 'a server that was not heard', deviceUtc: NIGHT, serverUtc: null, doubt: 'no-clock' },
])('stays for $what', ({ deviceUtc, serverUtc, doubt }) => {
  expect(sunQuestion({ place: dublin, deviceUtc, serverUtc })).toMatchObject({ asked: true, doubt })
})

it('bears four minutes between the clocks', () => {
  expect(sunQuestion({ place: dublin, deviceUtc: '2026-11-28T22:04:00Z', serverUtc: NIGHT }).asked).toBe(false)
})

it('a place at 172° E with Dublin’s zone is taken for day, north and south, though the Sun would be down', () => {
  for (const latitudeDeg of [53.3, -43.5]) {
    const place = { latitudeDeg, longitudeDeg: 172, zone: 'Europe/Dublin' }
    // Eleven in the morning UTC is near midnight there: by the numbers alone it would be night.
    const at = '2026-06-21T11:00:00Z'
    const question = sunQuestion({ place, deviceUtc: at, serverUtc: at })
    expect(question).toMatchObject({ asked: true, doubt: 'zone-far' })
    if (latitudeDeg < 0) expect(question.sun?.altitudeDeg).toBeLessThan(-6)
  }
})

it('without a place nobody knows', () => {
  expect(sunQuestion({ place: null, deviceUtc: NIGHT, serverUtc: NIGHT })).toMatchObject({
    asked: true,
    doubt: 'no-place',
  })
})

it('asks for when it was looked at, not for when it is sent', () => {
  const sent = { place: dublin, deviceUtc: DAY, serverUtc: DAY }
  expect(sunQuestion({ ...sent, lookedAtUtc: '2026-11-28T05:00:00Z' }).asked).toBe(false)
  expect(sunQuestion({ ...sent, deviceUtc: NIGHT, serverUtc: NIGHT, lookedAtUtc: DAY }).asked).toBe(true)
  // Nobody looks tomorrow.
  expect(sunQuestion({ ...sent, lookedAtUtc: NIGHT })).toMatchObject({ asked: true, doubt: 'clocks-differ' })
})

it('a zone’s middle is its standard time, and the way round the date line is the short one', () => {
  expect(zoneMismatchDeg(0, 'Europe/London', '2026-07-01T00:00:00Z')).toBe(0)
  expect(zoneMismatchDeg(-176, 'Pacific/Auckland', '2026-07-01T00:00:00Z')).toBeCloseTo(4, 9)
  // Madrid lies 18.7° west of its zone's middle; Kashgar 44° west of China's.
  expect(isZoneFar(-3.7, 'Europe/Madrid', NIGHT)).toBe(false)
  expect(isZoneFar(76, 'Asia/Shanghai', NIGHT)).toBe(true)
})

it('a landmark always needs the yes, a star or a known angle where night isn’t certain, a sheet indoors never', () => {
  const [open, night] = [{ asked: true }, { asked: false }]
  expect(needsYes('landmark', night)).toBe(true)
  expect(needsYes('moon', night)).toBe(true)
  for (const kind of ['star', null] as const) {
    expect(needsYes(kind, open)).toBe(true)
    expect(needsYes(kind, night)).toBe(false)
  }
  expect(needsYes('sheet', open)).toBe(false)
})
