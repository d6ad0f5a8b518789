import type { ModelSheet, MountDataView, StandView } from '@binoculum/contract'
import {
  armJoints,
  armJointWords,
  fixingWords,
  homeDrawings,
  stopMeetings,
  stopMeetingWords,
  trays,
  trayWords,
  tubeFixings,
  usualStand,
} from '@binoculum/core'
import type { Loose } from '../../../shared/loose.ts'
import { choice, choices, figure, tick, type FieldSection } from '../fields/model-fields.ts'

export interface MountForm {
  mount: Loose<MountDataView>
  stand: StandView
}
export type MountPart = 'equatorial' | 'tube' | 'controller' | 'home' | 'stop'

const emptyMount = (): MountForm['mount'] => ({
  ratedLoadG: null,
  use: 'visual',
  equatorial: null,
  tube: null,
  standHeightMm: null,
  controller: null,
  home: null,
  stop: null,
})

export const mountForm = ({ mount, stand, family, parts }: ModelSheet): MountForm => ({
  mount: (mount ?? emptyMount()) as MountForm['mount'],
  stand: stand ?? {
    ...usualStand(
      family,
      parts.map(({ role }) => role),
    ),
  },
})

const place = () => ({ alongMm: null, radiusMm: null, angleDeg: null })
const fresh: { [Part in MountPart]: () => NonNullable<MountForm['mount'][Part]> } = {
  equatorial: () => ({
    shaftStartMm: null,
    shaftEndMm: null,
    weightThicknessMm: null,
    tubeAxisMm: null,
    latitudeScale: { minDeg: 20, maxDeg: 70, stepDeg: 2 },
    sightingScope: 'none',
  }),
  tube: () => ({ lengthMm: null, diameterMm: null, frontRingMm: null, finder: place(), eyepiece: place() }),
  controller: () => ({
    dateOrder: 'month-first',
    clock: '24h',
    asks: ['date', 'time', 'zone', 'daylight-saving'],
  }),
  home: () => ({ steps: [''], drawing: 'equatorial' }),
  stop: () => ({ highestDeg: null, meets: 'tube-leg' }),
}

/** Says that a model has a part, with what such a part usually is, or that it has none. */
export const toggleMountPart = (mount: MountForm['mount'], part: MountPart): MountForm['mount'] => ({
  ...mount,
  [part]: mount[part] ? null : fresh[part](),
})

const has = (isThere: boolean): FieldSection['optional'] => ({ isThere, words: ['has none', 'it has one'] })
const placed = (path: string, words: string) => [
  figure(`${path}.alongMm`, `${words}: along the tube from the balance point, mm, + to the sky`),
  figure(`${path}.radiusMm`, `${words}: from the tube’s axis, mm`),
  figure(`${path}.angleDeg`, `${words}: direction, °: 0 away from the head, clockwise from behind`),
]

export function mountSections({ mount }: MountForm): readonly FieldSection[] {
  const { equatorial, tube, controller, home, stop } = mount
  return [
    {
      key: 'load',
      title: 'Load',
      fields: [
        figure('mount.ratedLoadG', 'rated load, g, weights left out'),
        choice(
          'mount.use',
          'used for',
          choices([
            ['visual', 'looking'],
            ['exposure', 'long exposures'],
          ]),
        ),
        figure('mount.standHeightMm', 'legs’ hinge above the ground, mm'),
      ],
    },
    {
      key: 'stand',
      title: 'Stand and joints',
      fields: [
        choice('stand.tray', 'tray or spreader', choices(trays.map((each) => [each, trayWords[each]]))),
        choice('stand.fixing', 'what holds the tube', choices(tubeFixings.map((each) => [each, fixingWords[each]]))),
        choice(
          'stand.armJoint',
          'head or arm on its legs',
          choices([[null, 'nothing sits on legs'], ...armJoints.map((each) => [each, armJointWords[each]] as const)]),
        ),
        tick('stand.axisLocks', 'each axis has a lock'),
      ],
    },
    {
      key: 'equatorial',
      title: 'Equatorial head',
      optional: has(equatorial !== null),
      fields: equatorial
        ? [
            figure('mount.equatorial.shaftStartMm', 'bare shaft begins, from the right-ascension axis, mm'),
            figure('mount.equatorial.shaftEndMm', 'bare shaft ends at the end stop, from the axis, mm'),
            figure('mount.equatorial.weightThicknessMm', 'weight along the shaft, mm'),
            figure('mount.equatorial.tubeAxisMm', 'middle of the tube from the axis, mm'),
            figure('mount.equatorial.latitudeScale.minDeg', 'latitude scale from, °'),
            figure('mount.equatorial.latitudeScale.maxDeg', 'to, °'),
            figure('mount.equatorial.latitudeScale.stepDeg', 'a mark every, °'),
            choice(
              'mount.equatorial.sightingScope',
              'polar sighting scope',
              choices([
                ['none', 'none'],
                ['upright', 'shows the sky upright'],
                ['turned', 'turns it by half'],
              ]),
            ),
          ]
        : [],
    },
    {
      key: 'tube',
      title: 'Tube',
      optional: { isThere: tube !== null, words: ['not measured', 'measured'] },
      fields: tube
        ? [
            figure('mount.tube.lengthMm', 'tube’s length, mm'),
            figure('mount.tube.diameterMm', 'tube across, mm'),
            figure('mount.tube.frontRingMm', 'front ring (or clamp) from the low end, mm'),
            ...placed('mount.tube.finder', 'finder'),
            ...placed('mount.tube.eyepiece', 'eyepiece and diagonal'),
          ]
        : [],
    },
    {
      key: 'stop',
      title: 'How high it can look',
      optional: { isThere: Boolean(stop), words: ['nothing is in the way', 'something is in the way'] },
      fields: stop
        ? [
            figure('mount.stop.highestDeg', 'free up to, ° above the horizon'),
            choice(
              'mount.stop.meets',
              'higher than that',
              choices(stopMeetings.map((each) => [each, stopMeetingWords[each]])),
            ),
          ]
        : [],
    },
    {
      key: 'controller',
      title: 'Hand controller',
      optional: has(controller !== null),
      fields: controller
        ? [
            choice(
              'mount.controller.dateOrder',
              'date',
              choices([
                ['day-first', 'day first'],
                ['month-first', 'month first'],
                ['year-first', 'year first'],
              ]),
            ),
            choice(
              'mount.controller.clock',
              'clock',
              choices([
                ['24h', '24 h'],
                ['12h', '12 h'],
              ]),
            ),
          ]
        : [],
    },
    {
      key: 'home',
      title: 'Home position',
      optional: has(home !== null),
      fields: home
        ? [choice('mount.home.drawing', 'drawing', choices(homeDrawings.map((each) => [each, each])))]
        : [],
    },
  ]
}
