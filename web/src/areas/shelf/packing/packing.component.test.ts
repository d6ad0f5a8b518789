import { flushPromises, mount } from '@vue/test-utils'
import { idOf } from '../../../testing/ids.ts'
import { serverWith } from '../../../testing/answers.ts'
import { router } from '../../../testing/mounting.ts'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import { useSession } from '../../people/session.ts'
import PackingPage from './PackingPage.vue'

const kit = { id: idOf('kit'), code: 'M-01', name: 'Yarrow', branchId: idOf('library') }
const empty = { key: 'place lower deck', kind: 'place', title: 'lower deck', pictureId: null, words: '' }
const left = { key: 'place tray', title: 'tray', pictureId: idOf('photo'), words: 'mirror end left' }

async function page(packing: object) {
  const server = serverWith({ '/api/kits/M-01/packing': packing, [`PUT /api/kits/${kit.id}/packing`]: packing })
  await router.push('/kits/M-01/packing')
  const shown = mount(PackingPage)
  useSession().joined({
    ...{ staffId: idOf('ines'), name: 'Ines', email: 'ines@x.example', expiresAtUtc: '', demo: false },
    memberships: [{ branchId: kit.branchId, branchName: 'Library', zone: 'Europe/Dublin', role: 'volunteer' }],
  })
  await flushPromises()
  return { shown, server }
}

it('a picture whose place was renamed is put where it belongs, and taken off where it was', async () => {
  const { shown, server } = await page({ kit, slots: [empty], left: [left] })
  const region = shown.get('[aria-label="Pictures without a place"]')
  expect(region.text()).toContain('was: tray')
  shown.getComponent(ChoiceSelect).vm.$emit('update:modelValue', empty.key)
  await flushPromises()
  expect(server.sent.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
    { key: empty.key, pictureId: left.pictureId, words: left.words },
    { key: left.key, pictureId: null, words: left.words },
  ])
})

it('where every picture has its place nothing is said of it', async () => {
  const { shown } = await page({ kit, slots: [empty], left: [] })
  expect(shown.find('[aria-label="Pictures without a place"]').exists()).toBe(false)
  expect(shown.text()).toContain('0 of 1 shown')
})
