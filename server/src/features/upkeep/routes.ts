import { watchSchema } from '@binoculum/contract'
import { coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Watcher } from './watch.ts'

export async function upkeepRoutes(app: App, watcher: Watcher) {
  app.get(
    '/api/watch',
    { config: { access: coordinatorOnly }, schema: { response: { 200: watchSchema } } },
    async (request) => watcher.look(signedIn(request)),
  )
}
