import { ModernFakeTimers } from '@jest/fake-timers'
import { ModuleMocker } from 'jest-mock'

/** What a library keeps for itself, once it is loaded: those of most begin with two lines. */
const isLibrarys = (name) => name.startsWith('__') || name === 'typeormMetadataArgsStorage'

/** The process itself: what is loaded once serves every test file of a worker. */
export default class SharedEnvironment {
  global = globalThis
  before = {}

  constructor({ projectConfig }) {
    this.moduleMocker = new ModuleMocker(globalThis)
    this.fakeTimersModern = new ModernFakeTimers({ config: projectConfig, global: globalThis })
  }

  async setup() {}

  handleTestEvent({ name }) {
    // Now the functions that tests are written with are there, and the test file not yet.
    if (name === 'setup') this.before = Object.getOwnPropertyDescriptors(globalThis)
  }

  async teardown() {
    this.fakeTimersModern.dispose()
    const spoilt = Object.entries(Object.getOwnPropertyDescriptors(globalThis))
      .filter(([name, now]) => {
        const before = this.before[name]
        // What has no value yet Node fills in when it is first asked for.
        if (isLibrarys(name) || before?.get) return false
        return !before || !Object.is(before.value, now.value)
      })
      .map(([name]) => name)
    if (spoilt.length > 0)
      throw new Error(
        `Changed for every test file after this one: ${spoilt.join(', ')}. Put it back, or call the file *.isolated.test.ts.`,
      )
  }

  /** There is no other context than the process’s. */
  getVmContext() {
    return null
  }
}
