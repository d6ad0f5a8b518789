import '@fontsource/sorts-mill-goudy/latin-400.css'
import '@fontsource/sorts-mill-goudy/latin-400-italic.css'
import '@fontsource/sorts-mill-goudy/latin-ext-400.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import './theme/tokens.css'
import './theme/base.css'
import './theme/controls.css'
import './theme/action-bar.css'
import './theme/night-bar.css'
import 'virtual:uno.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { config } from 'zod'
import App from './App.vue'
import { makeRouter } from './router.ts'
import { catchUnexpected } from './shared/unexpected.ts'

// Schemas are read step by step: this page may not make code out of text.
config({ jitless: true })
const app = createApp(App).use(createPinia()).use(makeRouter())
catchUnexpected(app, window)
app.mount('#app')
