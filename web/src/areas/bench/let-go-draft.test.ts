import { emptyLetGo, letGoKey, letGoStation } from './let-go-draft.ts'

const bare = (...fell: ('stays' | 'front' | 'back')[]) =>
  Object.fromEntries([20, 45, 70].map((deg, index) => [letGoKey('bare', deg), fell[index] ?? 'stays']))

it('level alone is no test: all three heights of one set-up are', () => {
  const draft = emptyLetGo()
  draft.found = { [letGoKey('bare', 20)]: 'stays' }
  expect(letGoStation(draft)).toBeNull()
  draft.found = bare()
  expect(letGoStation(draft)).toMatchObject({ asFound: [{ fell: 'stays' }, {}, {}], asLeft: [{}, {}, {}] })
})

it('as left waits for its own three; its clamp stands where it stood unless moved', () => {
  const draft = { ...emptyLetGo(), found: bare('front', 'front', 'front'), left: {}, foundMm: 42 }
  expect(letGoStation(draft)).toBeNull()
  expect(letGoStation({ ...draft, left: bare() })).toMatchObject({ foundMm: 42, leftMm: 42 })
  expect(letGoStation({ ...draft, left: bare(), leftMm: 55 })).toMatchObject({ leftMm: 55 })
})
