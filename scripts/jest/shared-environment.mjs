import { ModernFakeTimers } from '@jest/fake-timers'
import { ModuleMocker } from 'jest-mock'

/** The process itself: what is loaded once serves every test file of a worker. */
export default class SharedEnvironment {
  global = globalThis

  constructor({ projectConfig }) {
    this.moduleMocker = new ModuleMocker(globalThis)
    this.fakeTimersModern = new ModernFakeTimers({ config: projectConfig, global: globalThis })
  }

  async setup() {}

  async teardown() {
    this.fakeTimersModern.dispose()
  }

  /** There is no other context than the process’s. */
  getVmContext() {
    return null
  }
}
