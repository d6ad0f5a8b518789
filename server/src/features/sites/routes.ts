import {
  idSchema,
  landmarkFileSchema,
  landmarksSchema,
  sitesSchema,
  writeLandmarkSchema,
  writeSiteSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Landmarks } from './landmarks.ts'
import type { Sites } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: sitesSchema }

export async function siteRoutes(app: App, { sites, landmarks }: { sites: Sites; landmarks: Landmarks }) {
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

  const ofSite = { 200: landmarksSchema }
  const ofLandmark = params.extend({ landmarkId: idSchema })
  app.get(
    '/api/sites/:id/landmarks',
    { config: { access: anyRole }, schema: { params, response: ofSite } },
    async (request) => landmarks.list(signedIn(request), request.params.id),
  )
  app.post(
    '/api/sites/:id/landmarks',
    { config: { access: coordinatorOnly }, schema: { params, body: writeLandmarkSchema, response: ofSite } },
    async (request) => landmarks.write(signedIn(request), request.params.id, null, request.body),
  )
  app.put(
    '/api/sites/:id/landmarks/:landmarkId',
    {
      config: { access: coordinatorOnly },
      schema: { params: ofLandmark, body: writeLandmarkSchema, response: ofSite },
    },
    async (request) => landmarks.write(signedIn(request), request.params.id, request.params.landmarkId, request.body),
  )
  app.delete(
    '/api/sites/:id/landmarks/:landmarkId',
    { config: { access: coordinatorOnly }, schema: { params: ofLandmark, response: ofSite } },
    async (request) => landmarks.remove(signedIn(request), request.params.id, request.params.landmarkId),
  )
  app.get(
    '/api/sites/:id/landmarks.geojson',
    { config: { access: anyRole }, schema: { params, response: { 200: landmarkFileSchema } } },
    async (request, reply) => {
      const file = await landmarks.file(signedIn(request), request.params.id)
      return reply
        .type('application/geo+json')
        .header('content-disposition', 'attachment; filename="landmarks.geojson"')
        .send(file)
    },
  )
  app.post(
    '/api/sites/:id/landmarks.geojson',
    { config: { access: coordinatorOnly }, schema: { params, body: z.unknown(), response: ofSite } },
    async (request) => landmarks.bringIn(signedIn(request), request.params.id, request.body),
  )
}
