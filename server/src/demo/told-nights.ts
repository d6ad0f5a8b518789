/** What the borrowers of one model told after their evenings: invented, for the demo only. */
const targets = [
  ['moon', 'the Moon', 14, 14],
  ['pleiades', 'the Pleiades', 11, 10],
  ['orion-nebula', 'the Orion nebula', 9, 6],
  ['andromeda-galaxy', 'the Andromeda galaxy', 9, 1],
] as const
const stops = [
  ['', '', 11],
  ['finder', 'Line up the finder', 5],
  ['clouds', 'clouds', 3],
  ['finding', 'finding', 2],
] as const

export const demoToldTargets = (modelId: string) =>
  targets.map(([key, name, tried, saw]) => ({ modelId, key, name, tried, saw }))
export const demoToldStops = (modelId: string) =>
  stops.map(([key, title, nights]) => ({ modelId, key, title, nights }))
