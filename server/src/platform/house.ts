import type { Context } from './context.ts'
import type { Live } from './live.ts'

declare module 'fastify' {
  interface FastifyInstance {
    house: House
  }
}

/** What a whole server has once: its surroundings, and every feature's services by their class. */
export class House {
  private readonly services = new Map<unknown, object>()

  constructor(
    readonly context: Context,
    readonly live: Live,
    /** Folder of the built screens. */
    readonly webFolder: string,
  ) {}

  /** Makes a service known to the features after this one. */
  offer<T extends object>(service: T): T {
    this.services.set(service.constructor, service)
    return service
  }

  /** @throws Error where the feature that offers it doesn't stand before in the list */
  use<T extends object>(type: abstract new (...given: never[]) => T): T {
    const service = this.services.get(type)
    if (!service) throw new Error(`Nothing offers ${type.name} yet: its feature must stand before in features.ts`)
    return service as T
  }
}
