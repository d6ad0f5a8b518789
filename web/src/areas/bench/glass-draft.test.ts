import { emptyGlass, glassLookOf, stillToLook } from './glass-draft.ts'

it('what nobody looked for is claimed by nobody: no look before all four', () => {
  const draft = emptyGlass()
  expect(stillToLook(draft)).toEqual([])
  draft.grades.dust = 'much'
  expect(glassLookOf(draft)).toBeNull()
  expect(stillToLook(draft)).toEqual(['fungus', 'scratches', 'coating'])
  Object.assign(draft.grades, { fungus: 'none', scratches: 'none', coating: 'little' })
  expect(glassLookOf(draft)).toEqual({
    ...{ dust: 'much', fungus: 'none', scratches: 'none', coating: 'little', cleaned: null, pictureId: null },
  })
})

it('a cleaning without its reason isn’t written down yet', () => {
  const grades = { dust: 'none', fungus: 'none', scratches: 'none', coating: 'none' } as const
  expect(glassLookOf({ ...emptyGlass(), grades, cleaned: { how: 'blown', why: ' ' } })?.cleaned).toBeNull()
  expect(glassLookOf({ ...emptyGlass(), grades, cleaned: { how: 'blown', why: 'sand' } })?.cleaned?.why).toBe('sand')
})
