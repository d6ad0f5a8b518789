import { idSchema, keepCaseViewSchema, openCaseSchema, writeOpenCaseSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { OpenCases } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: openCaseSchema }

export async function openCaseRoutes(app: App, cases: OpenCases) {
  app.get(
    '/api/kits/:code/open-case',
    { config: { access: anyRole }, schema: { params: z.object({ code: z.string().max(80) }), response } },
    async (request) => cases.view(signedIn(request), request.params.code),
  )
  app.put(
    '/api/kits/:id/case-drawing',
    { config: { access: coordinatorOnly }, schema: { params, body: writeOpenCaseSchema, response } },
    async (request) => cases.write(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/case-views',
    { config: { access: deskRoles }, schema: { params, body: keepCaseViewSchema, response } },
    async (request) => cases.keep(signedIn(request), request.params.id, request.body),
  )
  app.delete(
    '/api/kits/:id/case-views/:viewId',
    { config: { access: deskRoles }, schema: { params: params.extend({ viewId: idSchema }), response } },
    async (request) => cases.forget(signedIn(request), request.params.id, request.params.viewId),
  )
}
