import {
  borrowersFoundSchema,
  correctHandOutSchema,
  correctTakeBackSchema,
  deskSchema,
  handOutFormSchema,
  handOutSchema,
  idSchema,
  loanSheetSchema,
  slipSchema,
  takeBackFormSchema,
  takeBackResultSchema,
  takeBackSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { asMade } from '../../platform/as-made.ts'
import type { Corrections } from './corrections.ts'
import type { HandOuts } from './hand-outs.ts'
import type { Loans } from './service.ts'
import type { TakeBacks } from './take-backs.ts'

const idParams = z.object({ id: idSchema })

export interface LoanServices {
  readonly loans: Loans
  readonly handOuts: HandOuts
  readonly takeBacks: TakeBacks
  readonly corrections: Corrections
}

export async function loanRoutes(app: App, { loans, handOuts, takeBacks, corrections }: LoanServices) {
  app.get('/api/desk', { config: { access: anyRole }, schema: { response: { 200: deskSchema } } }, async (request) =>
    loans.desk(signedIn(request)),
  )
  app.get(
    '/api/borrowers',
    {
      config: { heavy: true, access: deskRoles },
      schema: {
        querystring: z.object({ branchId: idSchema, text: z.string().trim().min(1).max(100) }),
        response: { 200: borrowersFoundSchema },
      },
      serializerCompiler: asMade,
    },
    async (request) => {
      const { branchId, text } = request.query
      return loans.borrowers(signedIn(request), branchId, text)
    },
  )
  app.get(
    '/api/kits/:code/hand-out',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ code: z.string().min(1).max(40) }), response: { 200: handOutFormSchema } },
    },
    async (request) => handOuts.form(signedIn(request), request.params.code),
  )
  app.post(
    '/api/kits/:id/hand-out',
    {
      config: { access: deskRoles },
      schema: { params: idParams, body: handOutSchema, response: { 200: slipSchema } },
    },
    async (request) => handOuts.handOut(signedIn(request), request.params.id, request.body),
  )
  app.get(
    '/api/loans/:id/take-back',
    {
      config: { access: deskRoles },
      schema: { params: idParams, response: { 200: takeBackFormSchema } },
      serializerCompiler: asMade,
    },
    async (request) => takeBacks.form(signedIn(request), request.params.id),
  )
  app.post(
    '/api/loans/:id/take-back',
    {
      config: { access: deskRoles },
      schema: { params: idParams, body: takeBackSchema, response: { 200: takeBackResultSchema } },
    },
    async (request) => takeBacks.takeBack(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/loans/:id/take-back/corrections',
    {
      config: { access: deskRoles },
      schema: { params: idParams, body: correctTakeBackSchema, response: { 200: takeBackResultSchema } },
    },
    async (request) => corrections.takeBack(signedIn(request), request.params.id, request.body),
  )
  app.get(
    '/api/loans/:id',
    { config: { access: deskRoles }, schema: { params: idParams, response: { 200: loanSheetSchema } } },
    async (request) => corrections.loanSheet(signedIn(request), request.params.id),
  )
  app.post(
    '/api/loans/:id/hand-out/corrections',
    {
      config: { access: deskRoles },
      schema: { params: idParams, body: correctHandOutSchema, response: { 200: loanSheetSchema } },
    },
    async (request) => corrections.handOut(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/borrowers/:id/join',
    {
      config: { access: coordinatorOnly },
      schema: { params: idParams, body: z.object({ otherId: idSchema }), response: { 204: z.null() } },
    },
    async (request, reply) => {
      await corrections.joinBorrowers(signedIn(request), request.params.id, request.body.otherId)
      return reply.code(204).send(null)
    },
  )
  app.delete(
    '/api/loans/:id/link',
    { config: { access: deskRoles }, schema: { params: z.object({ id: idSchema }), response: { 204: z.null() } } },
    async (request, reply) => {
      await loans.revokeLink(signedIn(request), request.params.id)
      return reply.code(204).send(null)
    },
  )
  app.post(
    '/api/loans/:id/link',
    { config: { access: deskRoles }, schema: { params: idParams, response: { 200: slipSchema } } },
    async (request) => loans.renewLink(signedIn(request), request.params.id),
  )
}
