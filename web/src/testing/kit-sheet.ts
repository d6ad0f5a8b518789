import type { KitSheet, Part } from '@binoculum/contract'
import { templateProcedure } from '@binoculum/core'
import { idOf } from './ids.ts'

/** A fit kit for tests; each test says what differs. */
export const testPart = (id: string, rest: Partial<Part> = {}): Part => ({
  id,
  position: 1,
  name: id,
  role: 'other',
  criticality: 'useful',
  count: 1,
  presentCount: rest.count ?? 1,
  massG: null,
  toleranceG: null,
  weighGroup: 'tray',
  together: '',
  weighed: false,
  place: 'Tray',
  mark: 'present',
  seenAtUtc: '2026-03-10T15:00:00.000Z',
  note: '',
  knownWear: '',
  wrongItem: '',
  pictureIds: [],
  consumable: null,
  modelPartId: null,
  costMinor: null,
  lookEveryTime: false,
  lookFor: '',
  optics: {},
  ...rest,
})

const reading = (kind: KitSheet['readings'][number]['kind'], rest: Partial<KitSheet['readings'][number]> = {}) => ({
  kind,
  asFound: 0,
  asLeft: 0,
  limit: 0,
  good: null,
  unit: 'judged' as const,
  source: 'judged' as const,
  atUtc: '2026-03-10T15:00:00.000Z',
  by: 'Kofi Arden',
  uncertainty: null,
  ...rest,
})

export const testMount: NonNullable<KitSheet['mount']> = {
  ratedLoadG: 4500,
  use: 'visual',
  equatorial: {
    shaftStartMm: 60,
    shaftEndMm: 320,
    weightThicknessMm: 40,
    tubeAxisMm: 160,
    latitudeScale: { minDeg: 20, maxDeg: 70, stepDeg: 2 },
    sightingScope: 'none',
  },
  tube: {
    lengthMm: 620,
    diameterMm: 160,
    frontRingMm: 330,
    finder: { alongMm: 150, radiusMm: 110, angleDeg: 96 },
    eyepiece: { alongMm: 200, radiusMm: 160, angleDeg: 38 },
  },
  standHeightMm: 760,
  controller: null,
  home: null,
}

export const testKit = (rest: Partial<KitSheet> = {}): KitSheet => ({
  id: 'kit',
  branchId: 'library',
  code: 'M-03',
  name: 'Sorrel',
  family: 'equatorial-reflector',
  modelName: 'equatorial reflector 125/600',
  group: 'shelf',
  place: 'bay 2',
  condition: 'full',
  reasons: [],
  readings: [
    reading('glass'),
    reading('stand'),
    reading('collimation', { asLeft: 0.3, limit: 1.33, good: 0.67, unit: 'mm', source: 'typed' }),
    reading('finder', { asLeft: 6, limit: 57.7, good: 28.8, unit: 'arcmin', source: 'typed' }),
    reading('pack'),
  ],
  loan: null,
  next: null,
  version: 1,
  look: null,
  branchName: 'Marrowdale Library',
  zone: 'Europe/Dublin',
  emergencyLine: 'the emergency number',
  currency: 'EUR',
  optics: {
    apertureMm: 125,
    focalLengthMm: 600,
    primaryFocalLengthMm: 600,
    kind: 'newtonian',
    collimatable: true,
    mirrorFigure: 'paraboloid',
    collapsible: false,
    finderOffsetMm: { x: -70, y: 96 },
    peepholeOutsideFocusMm: 0,
  },
  policies: { maxAgeDays: 120, collimation: 'leave-it-to-us' },
  hazards: [],
  modelId: 'model',
  mount: null,
  stand: null,
  shelfPlace: 'bay 2',
  details: { owner: '', serialNumber: '', priceMinor: null, note: '' },
  mirror: null,
  turned: [],
  finder: null,
  ownFinder: null,
  knobSteps: [],
  starLooks: [],
  finderDrift: null,
  headMomentGmm: null,
  procedure: structuredClone(
    templateProcedure({ family: 'equatorial-reflector', collapsible: false, parts: ['tray', 'counterweight'] }),
  ) as KitSheet['procedure'],
  stepSeconds: {},
  weighGroups: [{ name: 'tray', scaleStepG: 1 }],
  baselines: [],
  differences: [],
  parts: [
    testPart('tube', { role: 'tube', criticality: 'essential' }),
    testPart('eyepiece', {
      role: 'low-eyepiece',
      criticality: 'essential',
      optics: { focalLengthMm: 25, apparentFieldDeg: 50 },
    }),
    testPart('short', { role: 'eyepiece', optics: { focalLengthMm: 5, apparentFieldDeg: 50 } }),
    testPart('slug', { role: 'weight-slug', criticality: 'essential', lookEveryTime: true }),
    testPart('cell', { role: 'coin-cell', criticality: 'consumable', lookEveryTime: true }),
  ],
  extras: [],
  lastLoan: null,
  jobs: [],
  history: [],
  past: [],
  ...rest,
})

/** The same as a server would send it: with keys for words. */
export const sentKit = (rest: Partial<KitSheet> = {}): KitSheet => {
  const kit = testKit(rest)
  return {
    ...kit,
    ...{ id: idOf(kit.id), branchId: idOf(kit.branchId), modelId: idOf(kit.modelId) },
    parts: kit.parts.map((part) => ({ ...part, id: idOf(part.id) })),
  }
}

export class FakeStorage implements Storage {
  private readonly items = new Map<string, string>()
  get length() {
    return this.items.size
  }
  clear = () => this.items.clear()
  getItem = (key: string) => this.items.get(key) ?? null
  key = (index: number) => [...this.items.keys()][index] ?? null
  removeItem = (key: string) => void this.items.delete(key)
  setItem = (key: string, value: string) => void this.items.set(key, value)
}
