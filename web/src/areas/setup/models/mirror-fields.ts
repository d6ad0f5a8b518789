import type { MirrorDataView, MirrorOptics } from '@binoculum/contract'
import { cellThreads } from '@binoculum/core'
import type { Loose } from '../../../shared/loose.ts'
import { choice, choices, figure, tick, type FieldSection, type ModelField } from '../fields/model-fields.ts'
import { setupWords } from '../words.ts'

const t = setupWords('mirrorFields')

export interface MirrorForm {
  mirror: MirrorDataView | null
  optics: Loose<MirrorOptics>
}

/** Sizes to begin with where nobody measured: common practice for tubes of that aperture, no source. */
export const ordinaryMirror = (apertureMm: number): MirrorDataView => ({
  correctorLens: false,
  cell: {
    screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 120 * i })),
    circleRadiusMm: Math.round(apertureMm * 0.38),
    pitchMm: 0.7,
    clockwise: 'towards-sky',
    locks: true,
  },
  holder: null,
  secondary: {
    minorAxisMm: Math.round(apertureMm * 0.3),
    offsetMm: 2,
    toFocusMm: Math.round(apertureMm / 2 + 85),
    vanes: 3,
  },
  mark: { outerDiameterMm: 8, innerDiameterMm: 4 },
  cap: { ringDiameterMm: 18, holeDiameterMm: 2 },
  drawtube: { innerDiameterMm: apertureMm > 140 ? 50.8 : 31.75, endToFocusMm: 62 },
  clips: 3,
})

export type MirrorPart = 'cell' | 'holder' | 'mark'

/** What a part has when it is said to be there. */
export function toggleMirrorPart(mirror: MirrorDataView, part: MirrorPart, apertureMm: number): MirrorDataView {
  if (mirror[part]) return { ...mirror, [part]: null }
  if (part !== 'holder') return { ...mirror, [part]: ordinaryMirror(apertureMm)[part] }
  const holder = {
    screws: ['1', '2', '3'].map((name, i) => ({ name, angleDeg: 120 * i })),
    circleRadiusMm: Math.round(mirror.secondary.minorAxisMm / 4),
    pitchMm: 0.7,
    clockwise: 'towards-primary' as const,
  }
  return { ...mirror, holder }
}

const screws = (
  part: 'cell' | 'holder',
  data: { readonly screws: readonly { readonly name: string }[] },
): ModelField[] => [
  ...data.screws.map(({ name }, i) =>
    figure(`mirror.${part}.screws.${i}.angleDeg`, t('screwClockwiseFromTheFocusers', { name })),
  ),
  figure(`mirror.${part}.circleRadiusMm`, t('screwsFromTheMiddleMm')),
  figure(`mirror.${part}.pitchMm`, t('threadsPitchMm')),
]

/** The thread as typed, and those that cells usually have. */
const threads = (pitchMm: number) =>
  choices([
    [pitchMm, t('mmAsTyped', { pitchMm })],
    ...cellThreads
      .filter((thread) => thread.pitchMm !== pitchMm)
      .map((thread) => [thread.pitchMm, `${thread.name}, ${thread.pitchMm.toFixed(3)} mm`] as const),
  ])

export function mirrorSections({ mirror }: MirrorForm): readonly FieldSection[] {
  const optics: FieldSection = {
    key: 'optics',
    title: t('optics'),
    fields: [
      tick('optics.collimatable', t('thePrimaryHasAdjustingScrews')),
      ...(mirror ? [tick('mirror.correctorLens', t('aLensInTheDrawtube'))] : []),
      figure('optics.primaryFocalLengthMm', t('thePrimarysOwnFocalLength')),
      figure('optics.peepholeOutsideFocusMm', t('capsHoleOutsideTheFocal')),
      choice(
        'optics.mirrorFigure',
        t('mirrorsFigure'),
        choices([
          ['paraboloid', t('paraboloid')],
          ['sphere', t('sphere')],
          ['unknown', t('nobodyKnows')],
        ]),
      ),
    ],
  }
  if (!mirror) return [optics]
  const { cell, holder, mark } = mirror
  return [
    optics,
    {
      key: 'cell',
      title: t('primarysCellSeenFromBehind'),
      optional: { isThere: cell !== null, words: [t('hasNoScrews'), t('itHasScrews')] },
      fields: cell
        ? [
            tick('mirror.cell.locks', t('lockingScrewsBesideThem')),
            choice(
              'mirror.cell.clockwise',
              t('aPrimaryScrewClockwiseFrom'),
              choices([
                ['towards-sky', t('towardsTheSky')],
                ['away-from-sky', t('awayFromTheSky')],
              ]),
            ),
            choice('mirror.cell.pitchMm', t('itsThread'), threads(cell.pitchMm)),
            ...screws('cell', cell),
          ]
        : [],
    },
    {
      key: 'holder',
      title: t('secondarysHolderLookingIntoThe'),
      optional: { isThere: holder !== null, words: [t('hasNoScrews'), t('itHasScrews')] },
      fields: holder
        ? [
            choice(
              'mirror.holder.clockwise',
              t('aSecondaryScrewClockwiseFrom'),
              choices([
                ['towards-primary', t('towardsThePrimary')],
                ['away-from-primary', t('awayFromThePrimary')],
              ]),
            ),
            ...screws('holder', holder),
          ]
        : [],
    },
    {
      key: 'secondary',
      title: t('secondaryAndDrawtube'),
      fields: [
        figure('mirror.secondary.minorAxisMm', t('secondaryAcrossItsShortAxis')),
        figure('mirror.secondary.offsetMm', t('setBackFromTheFocuser')),
        figure('mirror.secondary.toFocusMm', t('itsMiddleToTheFocal')),
        figure('mirror.secondary.vanes', t('vanes')),
        figure('mirror.drawtube.innerDiameterMm', t('drawtubeInsideMm')),
        figure('mirror.drawtube.endToFocusMm', t('itsInnerEndToThe')),
        figure('mirror.clips', t('clipsOnThePrimary')),
      ],
    },
    {
      key: 'mark',
      title: t('markAndCap'),
      optional: { isThere: mark !== null, words: [t('hasNoCentreMark'), t('itHasACentreMark')] },
      fields: [
        ...(mark
          ? [
              figure('mirror.mark.outerDiameterMm', t('centreMarkOutsideMm')),
              figure('mirror.mark.innerDiameterMm', t('itsHoleMm')),
            ]
          : []),
        figure('mirror.cap.ringDiameterMm', t('brightRingOfTheCap')),
        figure('mirror.cap.holeDiameterMm', t('itsHoleMm')),
      ],
    },
  ]
}
