import type { IssuedGuide } from '@binoculum/contract'
import { composeGuide, type HelpSheet } from '@binoculum/core'
import { flushPromises, mount } from '@vue/test-utils'
import AltitudeDial from './AltitudeDial.vue'
import FinderWindow from './FinderWindow.vue'
import GuideFeel from './GuideFeel.vue'
import HelpSheetView from './HelpSheetView.vue'
import NightHorizon from './NightHorizon.vue'
import NightsTable from './NightsTable.vue'
import PowersPage from './PowersPage.vue'
import RefusedNote from './RefusedNote.vue'
import TicksLine from './TicksLine.vue'
import TonightPage from './TonightPage.vue'
import TroubleSheet from './TroubleSheet.vue'
import { noMemory } from './guide-memory.ts'
import { provideMemory } from './use-kept.ts'
import { provideNight } from './use-night.ts'
import SunSign from '../shared/drawings/SunSign.vue'

const guide = (rest: object = {}): IssuedGuide =>
  composeGuide({
    kitName: 'Wren',
    kitCode: 'M-01',
    modelName: 'tabletop reflector 114/450',
    family: 'tabletop-reflector',
    optics: { apertureMm: 114, focalLengthMm: 450, kind: 'newtonian', collimatable: true, collapsible: false },
    parts: [
      { id: 'e', name: 'Eyepiece 25 mm', role: 'eyepiece', mark: 'present', count: 1, focalLengthMm: 25 },
      { id: 'f', name: 'Eyepiece 10 mm', role: 'eyepiece', mark: 'present', count: 1, focalLengthMm: 10 },
    ],
    collimationPolicy: 'leave-it-to-us',
    branchName: 'Quillstead Library',
    emergencyLine: 'the poison line',
    issuedOn: '2026-04-17',
    dueOn: '2026-04-24',
    place: { name: 'Yard', zone: 'Europe/Dublin', latitudeDeg: 52.7, longitudeDeg: -8.2 },
    ...rest,
  } as never) as unknown as IssuedGuide

it('powers: what each eyepiece gives, lowest first', () => {
  const text = mount(PowersPage, { props: { powers: guide().powers } }).text()
  expect(text.indexOf('18×')).toBeGreaterThan(-1)
  expect(text.indexOf('18×')).toBeLessThan(text.indexOf('45×'))
})

it('every night of the loan stands on a line of its own', () => {
  const own = guide()
  const rows = mount(NightsTable, { props: { guide: own } }).findAll('tbody tr')
  expect(rows).toHaveLength(own.nights.length)
  expect(own.nights.length).toBeGreaterThan(5)
})

it('the tree of trouble is whole on paper: every sign with what to do', () => {
  const own = guide()
  const shown = mount(TroubleSheet, { props: { guide: own } })
  expect(shown.findAll('section')).toHaveLength(own.texts.en?.trouble.length ?? 0)
})

it('a red dot is looked for in a window, a finder scope in its own', () => {
  const window = (redDot: boolean) => mount(FinderWindow, { props: { redDot } }).html()
  expect(window(true)).not.toBe(window(false))
})

it('drawings of the help sheet are told by their captions alone, in the page’s own language', () => {
  const sheet: HelpSheet = {
    tube: {
      ...{ apertureMm: 110, focalLengthMm: 440, secondaryMinorAxisMm: 34, secondaryOffsetMm: 2 },
      ...{
        secondaryToFocusMm: 130,
        peepholeOutsideFocusMm: 12,
        drawtubeInnerDiameterMm: 31,
        drawtubeEndToFocusMm: 60,
      },
      ...{ capRingDiameterMm: 18, peepholeDiameterMm: 2, markOuterDiameterMm: 8, markInnerDiameterMm: 4 },
      tubeInnerDiameterMm: 128,
      vanes: { count: 3, firstAngleDeg: 20, thicknessMm: 1 },
      clips: { count: 3, firstAngleDeg: 60, lengthMm: 3, widthMm: 8 },
    },
    screws: [
      { name: 'A', angleDeg: 90 },
      { name: 'B', angleDeg: 210 },
      { name: 'C', angleDeg: 330 },
    ],
    locks: true,
    shownErrorMm: 3,
    caution: 'Never with the Sun up.',
    steps: [],
  }
  const shown = mount(HelpSheetView, { props: { sheet } })
  const drawings = shown.findAll('svg')
  expect(drawings).toHaveLength(3)
  for (const drawing of drawings) expect(drawing.attributes('aria-hidden')).toBe('true')
  expect(shown.findAll('figcaption')).toHaveLength(3)
})

it('the sign against the Sun says nothing in English: the words stand beside it in the page’s own language', () => {
  expect(mount(SunSign).find('svg').attributes()).toMatchObject({ 'aria-hidden': 'true' })
  expect(mount(SunSign).html()).not.toMatch(/aria-label|role=/)
})

it.each([10, 45, 80])('the dial of %s° stands by its angle', (altitudeDeg) => {
  const dial = (deg: number) => mount(AltitudeDial, { props: { altitudeDeg: deg, label: 'height' } }).html()
  expect(dial(altitudeDeg)).not.toBe(dial(altitudeDeg + 5))
})

it('the line of ticks has one for each step', () => {
  const line = (count: number) => mount(TicksLine, { props: { count, at: 2, label: 'step 3' } })
  expect(line(12).html().length).toBeGreaterThan(line(5).html().length)
  expect(line(12).html()).toContain('step 3')
})

it('how tight is tight enough has a place on its scale', () => {
  const feel = (value: string) => mount(GuideFeel, { props: { feel: value as never } }).html()
  expect(feel('finger-tight')).not.toBe(feel('snug'))
})

it('the horizon of a southern place faces north', () => {
  const targets = [{ altitudeDeg: 40, azimuthDeg: 20, kind: 'planet' }]
  const horizon = (southern: boolean) => mount(NightHorizon, { props: { targets, southern, moonLit: 0.4 } }).html()
  expect(horizon(true)).not.toBe(horizon(false))
})

it('what the library refused stands there in the borrower’s own words until they let it go', async () => {
  const shown = mount(RefusedNote, { props: { words: ['the finder is off', 'dew cap'] } })
  expect(shown.text()).toContain('the finder is off')
  expect(shown.text()).toContain('dew cap')
  await shown.find('button').trigger('click')
  expect(shown.emitted('done')).toHaveLength(1)
})

it('an equatorial kit’s evening says on which side the tube hangs; a tabletop’s says how high one looks', async () => {
  const tonight = async (own: IssuedGuide) => {
    const around = {
      components: { TonightPage },
      setup() {
        provideMemory(noMemory)
        provideNight(() => own)
        return { own }
      },
      template: '<TonightPage :guide="own" token="" />',
    }
    const shown = mount(around, { global: { stubs: { FindingDrawing: true } } })
    await flushPromises()
    return shown.text()
  }
  const equatorial = await tonight(guide({ family: 'equatorial-reflector' }))
  expect(equatorial).toMatch(/The tube hangs on the (east|west) side\./)
  const tabletop = await tonight(guide())
  expect(tabletop).toMatch(/Eyepiece about \d\.\d m up/)
  expect(tabletop).not.toContain('The tube hangs')
})
