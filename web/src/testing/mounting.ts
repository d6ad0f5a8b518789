import { TextEncoder } from 'node:util'
import { deserialize, serialize } from 'node:v8'
import { config } from '@vue/test-utils'
import ElementPlus from 'element-plus'
import { createPinia } from 'pinia'
import { createMemoryHistory, createRouter } from 'vue-router'

/** What every mounted component finds: the library's controls, the stores, and links that go nowhere. */
const nothing = { render: () => null }
/** Where a mounted component stands; tests push it on. */
export const router = createRouter({
  history: createMemoryHistory(),
  routes: [
    { path: '/setup/models/:id/:page', component: nothing },
    { path: '/kits/:code/packing', component: nothing },
    { path: '/:anywhere(.*)*', component: nothing },
  ],
})
config.global.plugins = [ElementPlus, createPinia(), router]
config.global.stubs = {
  RouterLink: { props: ['to'], template: '<a :href="String(to)"><slot /></a>' },
}

// What a document without a screen lacks.
globalThis.TextEncoder ??= TextEncoder
globalThis.structuredClone ??= <T>(value: T) => deserialize(serialize(value)) as T
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
HTMLDialogElement.prototype.showModal ??= function (this: HTMLDialogElement) {
  this.open = true
}
Element.prototype.scrollIntoView ??= () => undefined
