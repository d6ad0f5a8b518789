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
import { setupWords } from '../words.ts'

const t = setupWords('mountFields')

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

const has = (isThere: boolean): FieldSection['optional'] => ({ isThere, words: [t('hasNone'), t('itHasOne')] })
const placed = (path: string, words: string) => [
  figure(`${path}.alongMm`, t('alongTheTubeFromThe', { words })),
  figure(`${path}.radiusMm`, t('fromTheTubesAxisMm', { words })),
  figure(`${path}.angleDeg`, t('directionAwayFromTheHead', { words })),
]

export function mountSections({ mount }: MountForm): readonly FieldSection[] {
  const { equatorial, tube, controller, home, stop } = mount
  return [
    {
      key: 'load',
      title: t('load'),
      fields: [
        figure('mount.ratedLoadG', t('ratedLoadGWeightsLeft')),
        choice(
          'mount.use',
          t('usedFor'),
          choices([
            ['visual', t('looking')],
            ['exposure', t('longExposures')],
          ]),
        ),
        figure('mount.standHeightMm', t('legsHingeAboveTheGround')),
      ],
    },
    {
      key: 'stand',
      title: t('standAndJoints'),
      fields: [
        choice('stand.tray', t('trayOrSpreader'), choices(trays.map((each) => [each, trayWords[each]]))),
        choice('stand.fixing', t('whatHoldsTheTube'), choices(tubeFixings.map((each) => [each, fixingWords[each]]))),
        choice(
          'stand.armJoint',
          t('headOrArmOnIts'),
          choices([[null, t('nothingSitsOnLegs')], ...armJoints.map((each) => [each, armJointWords[each]] as const)]),
        ),
        tick('stand.axisLocks', t('eachAxisHasALock')),
      ],
    },
    {
      key: 'equatorial',
      title: t('equatorialHead'),
      optional: has(equatorial !== null),
      fields: equatorial
        ? [
            figure('mount.equatorial.shaftStartMm', t('bareShaftBeginsFromThe')),
            figure('mount.equatorial.shaftEndMm', t('bareShaftEndsAtThe')),
            figure('mount.equatorial.weightThicknessMm', t('weightAlongTheShaftMm')),
            figure('mount.equatorial.tubeAxisMm', t('middleOfTheTubeFrom')),
            figure('mount.equatorial.latitudeScale.minDeg', t('latitudeScaleFrom')),
            figure('mount.equatorial.latitudeScale.maxDeg', t('to')),
            figure('mount.equatorial.latitudeScale.stepDeg', t('aMarkEvery')),
            choice(
              'mount.equatorial.sightingScope',
              t('polarSightingScope'),
              choices([
                ['none', t('none')],
                ['upright', t('showsTheSkyUpright')],
                ['turned', t('turnsItByHalf')],
              ]),
            ),
          ]
        : [],
    },
    {
      key: 'tube',
      title: t('tube'),
      optional: { isThere: tube !== null, words: [t('notMeasured'), t('measured')] },
      fields: tube
        ? [
            figure('mount.tube.lengthMm', t('tubesLengthMm')),
            figure('mount.tube.diameterMm', t('tubeAcrossMm')),
            figure('mount.tube.frontRingMm', t('frontRingOrClampFrom')),
            ...placed('mount.tube.finder', t('finder')),
            ...placed('mount.tube.eyepiece', t('eyepieceAndDiagonal')),
          ]
        : [],
    },
    {
      key: 'stop',
      title: t('howHighItCanLook'),
      optional: { isThere: Boolean(stop), words: [t('nothingIsInTheWay'), t('somethingIsInTheWay')] },
      fields: stop
        ? [
            figure('mount.stop.highestDeg', t('freeUpToAboveThe')),
            choice(
              'mount.stop.meets',
              t('higherThanThat'),
              choices(stopMeetings.map((each) => [each, stopMeetingWords[each]])),
            ),
          ]
        : [],
    },
    {
      key: 'controller',
      title: t('handController'),
      optional: has(controller !== null),
      fields: controller
        ? [
            choice(
              'mount.controller.dateOrder',
              t('date'),
              choices([
                ['day-first', t('dayFirst')],
                ['month-first', t('monthFirst')],
                ['year-first', t('yearFirst')],
              ]),
            ),
            choice(
              'mount.controller.clock',
              t('clock'),
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
      title: t('homePosition'),
      optional: has(home !== null),
      fields: home
        ? [choice('mount.home.drawing', t('drawing'), choices(homeDrawings.map((each) => [each, each])))]
        : [],
    },
  ]
}
