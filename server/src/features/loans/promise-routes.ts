import {
  cancelPromiseSchema,
  extendLoanSchema,
  idSchema,
  movePromiseSchema,
  promiseMadeSchema,
  promiseSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Promises } from './promises.ts'

const params = z.object({ id: idSchema })
const response = { 200: promiseMadeSchema }

export async function promiseRoutes(app: App, promises: Promises) {
  app.post(
    '/api/promises',
    { config: { access: deskRoles }, schema: { body: promiseSchema, response } },
    async (request) => promises.promise(signedIn(request), request.body),
  )
  app.post(
    '/api/promises/:id/move',
    { config: { access: deskRoles }, schema: { params, body: movePromiseSchema, response } },
    async (request) => promises.move(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/promises/:id/cancel',
    { config: { access: deskRoles }, schema: { params, body: cancelPromiseSchema, response } },
    async (request) => promises.cancel(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/loans/:id/extend',
    { config: { access: deskRoles }, schema: { params, body: extendLoanSchema, response } },
    async (request) => promises.extend(signedIn(request), request.params.id, request.body),
  )
}
