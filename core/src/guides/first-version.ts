import type { Feel } from '../procedures/procedure.ts'
import type { PowerVerdict } from '../optics/view.ts'
import type { Guide, GuideStep } from './guide.ts'
import type { HelpSheet } from './help-sheet.ts'

interface FirstStep {
  readonly title: string
  readonly lines: readonly string[]
  readonly feel: Feel | null
  readonly caution: string | null
}

/** A guide as it was issued before there were languages, nights and drawings. */
export interface FirstGuide {
  readonly version: 1
  readonly kitName: string
  readonly kitCode: string
  readonly modelName: string
  readonly branchName: string
  readonly emergencyLine: string
  readonly issuedOn: string
  readonly dueOn: string
  readonly sun: readonly string[]
  readonly safety: readonly string[]
  readonly contents: readonly { readonly place: string; readonly parts: readonly string[] }[]
  readonly notes: readonly string[]
  readonly setUp: readonly FirstStep[]
  readonly place: readonly string[]
  readonly firstLook: readonly string[]
  readonly powers: readonly {
    readonly eyepiece: string
    readonly barlow: string | null
    readonly magnification: number
    readonly trueFieldDeg: number | null
    readonly exitPupilMm: number
    readonly verdict: PowerVerdict
    readonly start: boolean
    readonly wholeMoon: boolean
  }[]
  readonly expect: readonly string[]
  readonly trouble: readonly { readonly sign: string; readonly tries: readonly string[] }[]
  readonly putAway: readonly FirstStep[]
  readonly collimation: readonly string[]
  readonly helpSheet: HelpSheet | null
}

/** Shows a guide of the first version as it was issued: the same words, in English only, without drawings and nights. */
export function upgradeGuide(first: FirstGuide): Guide {
  const step =
    (undo: boolean) =>
    ({ title, lines, feel, caution }: FirstStep, index: number): GuideStep => ({
      key: `${undo ? 'away' : 'step'}-${index}`,
      title,
      lines,
      feel,
      caution,
      drawing: null,
      undo,
      lies: null,
    })
  const block = (key: string, title: string, stays: readonly string[], lines: readonly string[]) => ({
    key,
    title,
    stays,
    lines,
  })
  const { kitName, kitCode, modelName, branchName, emergencyLine, issuedOn, dueOn } = first
  return {
    version: 2,
    kitName,
    kitCode,
    modelName,
    branchName,
    emergencyLine,
    issuedOn,
    dueOn,
    dueTime: null,
    firstName: null,
    language: 'en',
    drawn: null,
    powers: first.powers.map((power) => ({ ...power, driftSeconds: null, wideBarrel: false })),
    place: null,
    nights: [],
    reach: null,
    legs: null,
    sightingScope: 'none',
    texts: {
      en: {
        blocks: [
          block('sun', 'Before anything else', [...first.sun, ...first.safety], []),
          block('case', 'What is in the case', [], []),
          block('set-up', 'Set it up', [], []),
          block('place', 'A good place', [], first.place),
          block('finder', 'Your first look', [], first.firstLook),
          block('power', 'Which eyepiece', [], []),
          block('expect', 'What you will see', [], first.expect),
          block('trouble', 'It doesn’t work', [], []),
          block('mirror', 'The mirrors', [], first.collimation),
          block('away', 'Put it away', [], []),
        ],
        notes: first.notes,
        contents: first.contents.map(({ place, parts }) => ({
          place,
          lies: null,
          parts: parts.map((name) => ({ name, count: 1, look: false })),
        })),
        setUp: first.setUp.map(step(false)),
        putAway: first.putAway.map(step(true)),
        trouble: first.trouble.map(({ sign, tries }, index) => ({
          key: `sign-${index}`,
          sign,
          checks: tries,
          question: 'Did that help?',
          answers: [],
          besides: null,
        })),
        controller: [],
        home: [],
        targets: {},
        helpSheet: first.helpSheet,
        missing: [],
      },
    },
  }
}
