import { followModel, kitDifferences, type TemplatePart } from './model-differences.ts'

const template: TemplatePart = {
  name: 'Eyepiece 10 mm',
  role: 'eyepiece',
  criticality: 'useful',
  count: 1,
  massG: 92,
  toleranceG: 2,
  weighGroup: 'tray',
  place: 'Upper tray',
  lookEveryTime: false,
  costMinor: 4500,
}
const model = [{ ...template, id: 'm1' }]

describe('where a kit differs from its model', () => {
  it('not at all', () => expect(kitDifferences(model, [{ ...template, modelPartId: 'm1' }])).toEqual([]))
  it('a mass within both doubts is no difference', () => {
    expect(kitDifferences(model, [{ ...template, massG: 95, modelPartId: 'm1' }])).toEqual([])
    expect(kitDifferences(model, [{ ...template, massG: 97, modelPartId: 'm1' }])).toMatchObject([
      { kind: 'differs', field: 'massG', own: '97', model: '92' },
    ])
  })
  it('lacks one, has one besides', () => {
    const own = [{ ...template, name: 'Moon filter', modelPartId: null }]
    expect(kitDifferences(model, own)).toEqual([
      { kind: 'lacks', name: 'Eyepiece 10 mm' },
      { kind: 'has-besides', name: 'Moon filter' },
    ])
  })
})

describe('a change of the model', () => {
  const after = { ...template, name: 'Eyepiece 10 mm, wide', costMinor: 5200, massG: 94 }
  it('reaches fields that followed it', () => {
    expect(followModel(template, template, after, { weighedHere: false })).toEqual(after)
  })
  it('leaves what really differs, and masses weighed in the kit', () => {
    const own = { ...template, costMinor: 100, massG: 93.4, toleranceG: 0.5 }
    const next = followModel(own, template, after, { weighedHere: true })
    expect(next).toEqual({ ...own, name: after.name })
  })
})
