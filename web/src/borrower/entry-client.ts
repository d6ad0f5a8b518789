import '@fontsource/sorts-mill-goudy/latin-400.css'
import '@fontsource/sorts-mill-goudy/latin-400-italic.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '../theme/tokens.css'
import '../theme/base.css'
import type { IssuedGuide } from '@binoculum/contract'
import { createSSRApp } from 'vue'
import BorrowerGuide from './BorrowerGuide.vue'
import { noMemory, openMemory, type GuideMemory } from './guide-memory.ts'
import { keepOffline } from './offline-copy.ts'

/** What the server put beside the page. */
interface PageState {
  readonly guide: IssuedGuide
  readonly token: string
  readonly startLanguage: string
  readonly assets: readonly string[]
}

const { assets, ...props } = JSON.parse(document.getElementById('guide-state')?.textContent ?? '{}') as PageState
const live = (memory: GuideMemory) => {
  const app = createSSRApp(BorrowerGuide, { ...props, memory })
  app.mount('#guide')
  return app
}
// Printing waits for nothing, not for the phone's memory either: the page lives at once, and anew once it remembers.
const printing = { app: null as ReturnType<typeof live> | null }
const printAtOnce = () => {
  if (printing.app) return
  printing.app = live(noMemory)
  // Its drawings have only begun to listen.
  window.dispatchEvent(new Event('beforeprint'))
}
window.addEventListener('beforeprint', printAtOnce)
const memory = props.token ? await openMemory(props.token) : noMemory
window.removeEventListener('beforeprint', printAtOnce)
printing.app?.unmount()
live(memory)
// The copy is a help, not the page: without it the guide still works online.
void keepOffline({ token: props.token, guide: props.guide, assets }).catch(() => undefined)
