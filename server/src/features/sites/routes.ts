import { idSchema, sitesSchema, writeSiteSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Sites } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: sitesSchema }

export async function siteRoutes(app: App, { sites }: { sites: Sites }) {
  app.get('/api/sites', { config: { access: anyRole }, schema: { response } }, async (request) =>
    sites.list(signedIn(request)),
  )
  app.post(
    '/api/sites',
    { config: { access: coordinatorOnly }, schema: { body: writeSiteSchema, response } },
    async (request) => sites.write(signedIn(request), null, request.body),
  )
  app.put(
    '/api/sites/:id',
    { config: { access: coordinatorOnly }, schema: { params, body: writeSiteSchema, response } },
    async (request) => sites.write(signedIn(request), request.params.id, request.body),
  )
  app.delete(
    '/api/sites/:id',
    { config: { access: coordinatorOnly }, schema: { params, response } },
    async (request) => sites.remove(signedIn(request), request.params.id),
  )
}
