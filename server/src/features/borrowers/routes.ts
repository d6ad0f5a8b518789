import {
  borrowerLoansSchema,
  borrowerSheetSchema,
  changeBorrowerSchema,
  idSchema,
  unlinkingSchema,
  unlinkingsSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { pageQuery } from '../../platform/paging.ts'
import type { Borrowers } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: borrowerSheetSchema }

export async function borrowerRoutes(app: App, borrowers: Borrowers) {
  app.get('/api/borrowers/:id', { config: { access: deskRoles }, schema: { params, response } }, async (request) =>
    borrowers.sheet(signedIn(request), request.params.id),
  )
  app.get(
    '/api/borrowers/:id/loans',
    {
      config: { access: deskRoles },
      schema: { params, querystring: pageQuery, response: { 200: borrowerLoansSchema } },
    },
    async (request) => borrowers.loans(signedIn(request), request.params.id, request.query.before),
  )
  app.put(
    '/api/borrowers/:id',
    { config: { access: deskRoles }, schema: { params, body: changeBorrowerSchema, response } },
    async (request) => borrowers.change(signedIn(request), request.params.id, request.body),
  )
  app.get(
    '/api/unlinking',
    { config: { access: deskRoles }, schema: { response: { 200: unlinkingsSchema } } },
    async (request) => borrowers.unlinkings(signedIn(request)),
  )
  app.post(
    '/api/branches/:id/unlinking/run',
    { config: { access: coordinatorOnly }, schema: { params, response: { 200: unlinkingsSchema } } },
    async (request) => borrowers.forgetNow(signedIn(request), request.params.id),
  )
  app.put(
    '/api/branches/:id/unlinking',
    {
      config: { access: coordinatorOnly },
      schema: { params, body: unlinkingSchema, response: { 200: unlinkingsSchema } },
    },
    async (request) => borrowers.decide(signedIn(request), request.params.id, request.body),
  )
}
