import { inCaseOrder } from '@binoculum/core'
import { movePart, newPart, placesOf, stepPart, whatWeighingSees, type DraftPart } from './model-draft.ts'

const part = (key: string, place: string, rest: Partial<DraftPart> = {}): DraftPart => ({
  ...newPart('other', place, key),
  name: key,
  ...rest,
})
const card = [
  part('card', 'Lid'),
  part('guide', 'Lid'),
  part('ten', 'Tray'),
  part('cap', 'Tray'),
  part('tube', 'Well'),
]
const keys = (parts: readonly DraftPart[]) => parts.map(({ key, place }) => `${place}/${key}`)

it('a part is dropped where the line shows, and takes on that place', () => {
  expect(keys(movePart(card, 'guide', { place: 'Tray', index: 1 }))).toEqual([
    'Lid/card',
    'Tray/ten',
    'Tray/guide',
    'Tray/cap',
    'Well/tube',
  ])
})

it('by keys it goes up and down, over the borders of its place, and stays at the ends', () => {
  expect(keys(stepPart(card, 'ten', 1))).toEqual(['Lid/card', 'Lid/guide', 'Tray/cap', 'Tray/ten', 'Well/tube'])
  expect(keys(stepPart(card, 'ten', -1))).toEqual(['Lid/card', 'Lid/guide', 'Lid/ten', 'Tray/cap', 'Well/tube'])
  expect(keys(stepPart(card, 'cap', 1))).toEqual(['Lid/card', 'Lid/guide', 'Tray/ten', 'Well/cap', 'Well/tube'])
  expect(keys(stepPart(card, 'card', -1))).toEqual(keys(card))
  expect(keys(stepPart(card, 'tube', 1))).toEqual(keys(card))
})

it('nothing is lost or doubled, however often it is moved', () => {
  let parts = card
  for (let turn = 0; turn < 40; turn++) parts = stepPart(parts, card[turn % 5]!.key, turn % 3 === 0 ? -1 : 1)
  expect(parts.map(({ key }) => key).sort()).toEqual(card.map(({ key }) => key).sort())
})

it('a part whose place is typed anew stands with the others of that place', () => {
  const typed = card.map((each) => (each.key === 'card' ? { ...each, place: 'Tray' } : each))
  expect(keys(inCaseOrder(typed))).toEqual(['Tray/card', 'Tray/ten', 'Tray/cap', 'Lid/guide', 'Well/tube'])
  expect(placesOf(typed).map(({ place }) => place)).toEqual(['Tray', 'Lid', 'Well'])
})

it('a new part begins with what its role says', () => {
  expect(newPart('weight-slug', 'Well', 'x')).toMatchObject({
    criticality: 'essential',
    lookEveryTime: true,
    name: 'Slug in the counterweight',
  })
})

it('a slug beside a heavy weight stays unseen until the weight was weighed once', () => {
  const parts = [
    part('Counterweight', 'Well', {
      role: 'counterweight',
      criticality: 'essential',
      massG: 1980,
      toleranceG: 15,
      weighGroup: 'weight',
    }),
    part('Slug', 'Well', {
      role: 'weight-slug',
      criticality: 'essential',
      massG: 9,
      toleranceG: 1,
      weighGroup: 'weight',
    }),
  ]
  const [weight] = whatWeighingSees({ name: '', parts, weighGroups: [{ name: 'weight', scaleStepG: 1 }] })
  expect(weight).toMatchObject({ matters: { name: 'Slug', massG: 9 } })
  expect(weight!.smallestG).toBeGreaterThan(9)
  expect(weight!.once).toBeLessThan(2)
})
