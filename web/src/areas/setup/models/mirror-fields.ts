import type { MirrorDataView, MirrorOptics } from '@binoculum/contract'
import { cellThreads } from '@binoculum/core'
import type { Loose } from '../../../shared/loose.ts'
import { choice, choices, figure, tick, type FieldSection, type ModelField } from '../fields/model-fields.ts'

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
    figure(`mirror.${part}.screws.${i}.angleDeg`, `screw ${name}, ° clockwise from the focuser’s side`),
  ),
  figure(`mirror.${part}.circleRadiusMm`, 'screws from the middle, mm'),
  figure(`mirror.${part}.pitchMm`, 'thread’s pitch, mm'),
]

/** The thread as typed, and those that cells usually have. */
const threads = (pitchMm: number) =>
  choices([
    [pitchMm, `${pitchMm} mm as typed`],
    ...cellThreads
      .filter((thread) => thread.pitchMm !== pitchMm)
      .map((thread) => [thread.pitchMm, `${thread.name}, ${thread.pitchMm.toFixed(3)} mm`] as const),
  ])

export function mirrorSections({ mirror }: MirrorForm): readonly FieldSection[] {
  const optics: FieldSection = {
    key: 'optics',
    title: 'Optics',
    fields: [
      tick('optics.collimatable', 'the primary has adjusting screws; if not, star test and knock check only'),
      ...(mirror ? [tick('mirror.correctorLens', 'a lens in the drawtube, taken out before lining up')] : []),
      figure('optics.primaryFocalLengthMm', 'the primary’s own focal length, mm'),
      figure('optics.peepholeOutsideFocusMm', 'cap’s hole outside the focal plane, mm, − inside'),
      choice(
        'optics.mirrorFigure',
        'mirror’s figure',
        choices([
          ['paraboloid', 'paraboloid'],
          ['sphere', 'sphere'],
          ['unknown', 'nobody knows'],
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
      title: 'Primary’s cell, seen from behind',
      optional: { isThere: cell !== null, words: ['has no screws', 'it has screws'] },
      fields: cell
        ? [
            tick('mirror.cell.locks', 'locking screws beside them'),
            choice(
              'mirror.cell.clockwise',
              'a primary screw, clockwise from behind, moves the mirror',
              choices([
                ['towards-sky', 'towards the sky'],
                ['away-from-sky', 'away from the sky'],
              ]),
            ),
            choice('mirror.cell.pitchMm', 'its thread', threads(cell.pitchMm)),
            ...screws('cell', cell),
          ]
        : [],
    },
    {
      key: 'holder',
      title: 'Secondary’s holder, looking into the open end',
      optional: { isThere: holder !== null, words: ['has no screws', 'it has screws'] },
      fields: holder
        ? [
            choice(
              'mirror.holder.clockwise',
              'a secondary screw, clockwise from the open end, moves its side',
              choices([
                ['towards-primary', 'towards the primary'],
                ['away-from-primary', 'away from the primary'],
              ]),
            ),
            ...screws('holder', holder),
          ]
        : [],
    },
    {
      key: 'secondary',
      title: 'Secondary and drawtube',
      fields: [
        figure('mirror.secondary.minorAxisMm', 'secondary across its short axis, mm'),
        figure('mirror.secondary.offsetMm', 'set back from the focuser, mm'),
        figure('mirror.secondary.toFocusMm', 'its middle to the focal plane, mm'),
        figure('mirror.secondary.vanes', 'vanes'),
        figure('mirror.drawtube.innerDiameterMm', 'drawtube inside, mm'),
        figure('mirror.drawtube.endToFocusMm', 'its inner end to the focal plane, mm'),
        figure('mirror.clips', 'clips on the primary'),
      ],
    },
    {
      key: 'mark',
      title: 'Mark and cap',
      optional: { isThere: mark !== null, words: ['has no centre mark', 'it has a centre mark'] },
      fields: [
        ...(mark
          ? [
              figure('mirror.mark.outerDiameterMm', 'centre mark outside, mm'),
              figure('mirror.mark.innerDiameterMm', 'its hole, mm'),
            ]
          : []),
        figure('mirror.cap.ringDiameterMm', 'bright ring of the cap, mm'),
        figure('mirror.cap.holeDiameterMm', 'its hole, mm'),
      ],
    },
  ]
}
