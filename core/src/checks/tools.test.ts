import { toolsToBring } from './tools.ts'

const plain = { hasDot: false, isDriven: false, hasScrews: true }

test('a finder off and a mirror off: what both stations need, each thing once', () => {
  const tools = toolsToBring({ ...plain, skills: ['collimation', 'finder', 'collimation'] })
  expect(tools).toEqual([
    'a collimation cap',
    'the tool for its screws',
    'a ruler',
    'a mark far away, or its target sheet',
  ])
})

test('a cell only for a finder that has one, power only for a mount that is keyed in, no tool where nothing turns', () => {
  expect(toolsToBring({ ...plain, skills: ['finder'], hasDot: true })).toContain('a spare coin cell')
  expect(toolsToBring({ ...plain, skills: ['finder'] })).not.toContain('a spare coin cell')
  expect(toolsToBring({ ...plain, skills: ['place'] })).toEqual(['the latitude of its place'])
  expect(toolsToBring({ ...plain, skills: ['place'], isDriven: true })[0]).toBe('full power for its controller')
  expect(toolsToBring({ ...plain, skills: ['collimation'], hasScrews: false })).toEqual(['a collimation cap'])
})
