/** @jest-environment jsdom */
import { mount } from '@vue/test-utils'
import { defineComponent, ref } from 'vue'
import { z } from 'zod'
import SchemaField from './SchemaField.vue'
import SchemaForm from './SchemaForm.vue'

const schema = z.object({
  name: z.string().min(1, 'name it'),
  code: z.string().max(4, 'four letters at most'),
  hidden: z.number('choose a place'),
})

function open(given: { name: string; code: string; hidden: number | null }) {
  const sent: unknown[] = []
  const value = ref(given)
  const wrapper = mount(
    defineComponent({
      components: { SchemaForm, SchemaField },
      setup: () => ({ schema, value, send: () => sent.push({ ...value.value }) }),
      template: `<SchemaForm :schema="schema" :value="value" label="Test" @send="send">
        <SchemaField label="name" path="name"><ElInput v-model="value.name" name="name" /></SchemaField>
        <SchemaField label="code" path="code"><ElInput v-model="value.code" name="code" /></SchemaField>
        <ElButton native-type="submit">Keep</ElButton>
      </SchemaForm>`,
    }),
    { attachTo: document.body },
  )
  const submit = async () => {
    await wrapper.find('form').trigger('submit')
    // The library lets a message stand a moment before it shows it.
    await new Promise((resolve) => setTimeout(resolve, 150))
  }
  return { wrapper, sent, submit, value }
}

test('nothing is said before somebody tries; then each message stands in its own field, the first has the focus', async () => {
  const { wrapper, sent, submit } = open({ name: '', code: 'ABCDEF', hidden: 1 })
  expect(wrapper.text()).not.toContain('name it')
  await submit()
  const [name, code] = wrapper.findAll('.el-form-item')
  expect(name?.text()).toContain('name it')
  expect(name?.text()).not.toContain('four letters')
  expect(code?.text()).toContain('four letters at most')
  expect(document.activeElement?.getAttribute('name')).toBe('name')
  expect(sent).toEqual([])
  wrapper.unmount()
})

test('what was typed stays; a message goes as soon as its field is right, and then it is sent', async () => {
  const { wrapper, sent, submit } = open({ name: '', code: 'ABCDEF', hidden: 1 })
  await submit()
  expect(wrapper.find<HTMLInputElement>('[name=code]').element.value).toBe('ABCDEF')
  await wrapper.find('[name=name]').setValue('Yarrow')
  expect(wrapper.text()).not.toContain('name it')
  await wrapper.find('[name=code]').setValue('M-1')
  await submit()
  expect(sent).toEqual([{ name: 'Yarrow', code: 'M-1', hidden: 1 }])
  wrapper.unmount()
})

test('what is wrong where no field shows it is said all the same', async () => {
  const { wrapper, sent, submit } = open({ name: 'Yarrow', code: 'M-1', hidden: null })
  await submit()
  expect(wrapper.find('[role=alert]').text()).toBe('choose a place')
  expect(sent).toEqual([])
  wrapper.unmount()
})
