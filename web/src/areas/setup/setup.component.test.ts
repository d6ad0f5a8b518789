import { flushPromises, mount } from '@vue/test-utils'
import { idOf } from '../../testing/ids.ts'
import { serverWith } from '../../testing/answers.ts'
import { router } from '../../testing/mounting.ts'
import { testKit, testMount, testPart } from '../../testing/kit-sheet.ts'
import { useSession } from '../people/session.ts'
import FieldTable from './fields/FieldTable.vue'
import FigureField from './fields/FigureField.vue'
import { choice, choices, figure, text, tick, type FieldSection } from './fields/model-fields.ts'
import FinderPage from './models/FinderPage.vue'
import HeadPage from './models/HeadPage.vue'
import KeptFormNote from './models/KeptFormNote.vue'
import MirrorPage from './models/MirrorPage.vue'
import MountPage from './models/MountPage.vue'
import { ref } from 'vue'
import OwnSessions from './OwnSessions.vue'
import PlacesPage from './places/PlacesPage.vue'

describe('FigureField', () => {
  const field = (rest: object = {}) =>
    mount(FigureField, { props: { label: 'thread’s pitch, mm', name: 'pitchMm', modelValue: 0.7, ...rest } })
  it('what is typed is the figure, and nothing typed is null', async () => {
    const shown = field()
    await shown.find('input').setValue('0.8')
    await shown.find('input').setValue('')
    expect(shown.emitted('update:modelValue')?.map(([value]) => value)).toEqual([0.8, null])
  })
  it('says what is wrong beneath', () => {
    expect(field({ problem: 'type the pitch' }).find('.rust').text()).toBe('type the pitch')
    expect(field().find('.rust').exists()).toBe(false)
  })
})

describe('FieldTable draws a table over a form', () => {
  const sections: FieldSection[] = [
    {
      key: 'cell',
      title: 'Cell',
      optional: { isThere: true, words: ['has none', 'it has one'] },
      fields: [
        figure('cell.pitchMm', 'pitch, mm'),
        text('name', 'name'),
        tick('locks', 'locking screws'),
        choice('way', 'clockwise', choices([['in', 'towards the sky']])),
      ],
    },
  ]
  const form = () => ({ name: 'Wren', locks: true, way: 'in', cell: { pitchMm: 0.7 } })
  it('writes each field where it stands', async () => {
    const own = form()
    const shown = mount(FieldTable, { props: { form: own, sections, wrong: {} } })
    await shown.find('[name="cell.pitchMm"]').setValue('1')
    await shown.find('[name="name"]').setValue('Jay')
    await shown.find('input[type=checkbox]').setValue(false)
    expect(own).toEqual({ name: 'Jay', locks: false, way: 'in', cell: { pitchMm: 1 } })
  })
  it('a problem stands by its own field', () => {
    const shown = mount(FieldTable, { props: { form: form(), sections, wrong: { name: 'name it' } } })
    expect(shown.findAll('.rust').map((each) => each.text())).toEqual(['name it'])
  })
  it('a part that may be lacking says how to change that', async () => {
    const shown = mount(FieldTable, { props: { form: form(), sections, wrong: {} } })
    await shown.find('h2 button').trigger('click')
    expect(shown.find('h2').text()).toContain('has none')
    expect(shown.emitted('toggle')?.[0]).toEqual(['cell'])
  })
})

it.each([
  [true, null, 'Picked up where you left off'],
  [false, {}, 'this model was changed since'],
  [false, null, ''],
])('a draft that was taken up (%s) or is older (%j) says so', (takenUp, older, words) => {
  const page = { takenUp: ref(takenUp), older: ref(older), letGo() {}, takeUpOlder() {}, done() {} }
  const shown = mount(KeptFormNote, { props: { page } }).text()
  expect(words === '' ? shown : shown.includes(words)).toBe(words === '' ? '' : true)
})

describe('pages of a model', () => {
  const { optics, procedure } = testKit()
  const modelPart = { ...testPart('Finder 6×30', { role: 'finder' }), id: idOf('finder'), pictureId: null }
  const model = (rest: object = {}) => ({
    ...{
      id: idOf('m'),
      name: 'equatorial reflector 125/600',
      family: 'equatorial-reflector',
      version: 3,
      mayChange: true,
    },
    ...{ optics, parts: [modelPart], mount: testMount, mirror: null, stand: null },
    ...{ finder: null, finderOffsetMm: optics.finderOffsetMm, procedure, procedureIsTemplate: true },
    ...{ kits: [], weighGroups: [], stepTimes: [] },
    ...rest,
  })
  const open = async (page: object, sheet: object, answers: Readonly<Record<string, unknown>> = {}) => {
    localStorage.clear()
    const server = serverWith({ '/api/models/m': sheet, ...answers })
    await router.push('/setup/models/m/x')
    const shown = mount(page)
    await flushPromises()
    const keep = async () => {
      await shown.find('footer button').trigger('click')
      await flushPromises()
      return server.sent.filter(({ method }) => method === 'PUT')
    }
    return { shown, keep }
  }

  it('the mount: a rated load of nothing is refused by its field, and nothing is sent', async () => {
    const { shown, keep } = await open(MountPage, model())
    await shown.find('[name="mount.ratedLoadG"]').setValue('0')
    expect(await keep()).toEqual([])
    expect(shown.text()).toContain('a rated load is above 0')
    expect(shown.find('footer [role=alert]').text()).toBe('One field needs correcting.')
  })
  it('the mount: what was changed goes out with the version it was changed from', async () => {
    const { shown, keep } = await open(MountPage, model(), { 'PUT /api/models/m/mount': model({ version: 4 }) })
    await shown.find('[name="mount.ratedLoadG"]').setValue('5200')
    expect(await keep()).toMatchObject([{ body: { version: 3, mount: { ratedLoadG: 5200 } } }])
    expect(shown.find('footer [role=status]').text()).toBe('Kept for all kits of this model.')
  })
  it('the mount: what is typed while the server still writes stays, and can be kept next', async () => {
    let answer: (sheet: object) => void = () => undefined
    const onItsWay = new Promise((resolve) => (answer = resolve))
    const { shown, keep } = await open(MountPage, model(), { 'PUT /api/models/m/mount': onItsWay })
    const load = shown.find('[name="mount.ratedLoadG"]')
    await load.setValue('5200')
    await shown.find('footer button').trigger('click')
    await load.setValue('5300')
    answer(model({ version: 4, mount: { ...testMount, ratedLoadG: 5200 } }))
    await flushPromises()
    expect((load.element as HTMLInputElement).value).toBe('5300')
    expect((await keep())[1]).toMatchObject({ body: { version: 4, mount: { ratedLoadG: 5300 } } })
  })
  it('the mount: a head that there isn’t has no fields', async () => {
    const { shown } = await open(MountPage, model())
    const toggle = () => shown.findAll('h2 button').find((button) => /has none/.test(button.text()))
    expect(shown.find('[name="mount.equatorial.shaftStartMm"]').exists()).toBe(true)
    await toggle()?.trigger('click')
    expect(shown.find('[name="mount.equatorial.shaftStartMm"]').exists()).toBe(false)
  })
  it('mirrors that nobody measured begin with ordinary sizes, and are drawn', async () => {
    const { shown } = await open(MirrorPage, model())
    expect(shown.text()).toContain('Nobody measured this model’s mirrors yet')
    expect(shown.find('aside').exists()).toBe(false)
    await shown
      .findAll('fieldset button')
      .find((each) => /ordinary/.test(each.text()))
      ?.trigger('click')
    expect((shown.find('[name="mirror.cell.pitchMm"]').element as HTMLInputElement).value).toBe('0.7')
    expect(shown.find('aside').exists()).toBe(true)
    await shown.find('[name="mirror.cell.pitchMm"]').setValue('')
    expect(shown.find('aside').exists()).toBe(false)
  })
  it('the finder’s kind is the card’s, and how near the tube comes sharp follows what is typed', async () => {
    const { shown } = await open(FinderPage, model())
    expect(shown.text()).toContain('Finder 6×30: change it there')
    const near = () => shown.find('.near').text()
    await shown.find('[name="finder.spareTravelMm"]').setValue('28')
    const before = near()
    await shown.find('[name="finder.spareTravelMm"]').setValue('60')
    expect(near()).not.toBe(before)
  })
  it('who may not change a model sees it, and can’t', async () => {
    const { shown } = await open(HeadPage, model({ mayChange: false }))
    expect(shown.find('fieldset').attributes('disabled')).toBeDefined()
    expect(shown.find('footer').exists()).toBe(false)
    expect(shown.text()).toContain('Only a coordinator')
  })
  it('what was only guessed from a list is said', async () => {
    const { shown } = await open(HeadPage, model({ optics: { ...optics, guessed: ['focal-length'] } }))
    expect(shown.find('.rust').text()).toContain('focal length')
  })
})

describe('places', () => {
  const page = async (memberships: object[]) => {
    const server = serverWith({ '/api/sites': { sites: [], nowUtc: '2026-03-12T18:00:00Z' } })
    useSession().current = { memberships } as never
    const shown = mount(PlacesPage)
    await flushPromises()
    return { shown, server }
  }
  it('a latitude that there isn’t is refused by its field', async () => {
    const { shown, server } = await page([{ branchId: 'b', branchName: 'M', role: 'coordinator' }])
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Another place')
      ?.trigger('click')
    await shown.find('[name=name]').setValue('Yard')
    await shown.find('[name=latitudeDeg]').setValue('91')
    await shown.find('[name=longitudeDeg]').setValue('-8')
    await shown.find('form').trigger('submit')
    expect(shown.text()).toContain('a latitude lies between −90 and 90°')
    expect(server.sent.filter(({ method }) => method !== 'GET')).toEqual([])
  })
  it('a zone far from the longitude is doubted', async () => {
    const { shown } = await page([{ branchId: 'b', branchName: 'M', role: 'coordinator' }])
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Another place')
      ?.trigger('click')
    await shown.find('[name=zone]').setValue('Australia/Sydney')
    await shown.find('[name=longitudeDeg]').setValue('-8')
    expect(shown.text()).toContain('lie far apart')
  })
  it('nothing can be pressed that what is still being read would push away', async () => {
    serverWith({ '/api/sites': { sites: [], nowUtc: '2026-03-12T18:00:00Z' } })
    useSession().current = { memberships: [{ branchId: 'b', branchName: 'M', role: 'coordinator' }] } as never
    const shown = mount(PlacesPage)
    expect(shown.text()).not.toContain('Another place')
    await flushPromises()
    expect(shown.text()).toContain('Another place')
  })
  it('who coordinates nothing adds none', async () => {
    const { shown } = await page([{ branchId: 'b', branchName: 'M', role: 'volunteer' }])
    expect(shown.text()).not.toContain('Another place')
  })
})

describe('where one is signed in', () => {
  const at = '2026-03-12T10:00:00.000Z'
  const here = { startedAtUtc: at, lastSeenUtc: at, isThis: true }
  const there = { ...here, isThis: false }
  const open = async (sessions: object[]) => {
    const server = serverWith({
      '/api/session/all': { sessions },
      'DELETE /api/session/others': { sessions: [here] },
    })
    const shown = mount(OwnSessions, { props: { zone: 'Europe/Dublin' } })
    await flushPromises()
    return { shown, server }
  }
  it('here and nowhere else asks for nothing', async () => {
    const { shown } = await open([here])
    expect(shown.text()).toContain('Here, and nowhere else.')
    expect(shown.find('button').exists()).toBe(false)
  })
  it('elsewhere is counted, and ended at once', async () => {
    const { shown, server } = await open([here, there, there])
    expect(shown.text()).toContain('2 other devices or browsers')
    await shown.find('button').trigger('click')
    await flushPromises()
    expect(server.sent.at(-1)).toMatchObject({ method: 'DELETE', path: '/api/session/others' })
    expect(shown.text()).toContain('Here, and nowhere else.')
  })
})
