import {
  acceptInvitationSchema,
  changePasswordSchema,
  branchAgreementsSchema,
  branchFieldsSchema,
  branchesSchema,
  idSchema,
  invitationSchema,
  inviteSchema,
  oneTimeLinkSchema,
  ownSessionsSchema,
  sessionReplySchema,
  sessionSchema,
  setRoleSchema,
  signInSchema,
  peopleSchema,
  writeAgreementSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Context } from '../../platform/context.ts'
import { giveSession, takeSession } from '../../platform/session.ts'
import type { Branches } from './branches.ts'
import type { People, Sessions } from './service.ts'

/** Passwords and links are guessed slowly: ten tries a minute from one address. */
const slow = { rateLimit: { max: 10, timeWindow: '1 minute' } }
const tokenParams = z.object({ token: z.string().min(20).max(64) })
const idParams = z.object({ id: idSchema })

export async function peopleRoutes(
  app: App,
  { people, sessions, branches, secure }: Context & { people: People; sessions: Sessions; branches: Branches },
) {
  app.post(
    '/api/session',
    { config: { access: 'public', ...slow }, schema: { body: signInSchema, response: { 200: sessionSchema } } },
    async (request, reply) => {
      const { token, session, expiresAt } = await sessions.signIn({
        ...request.body,
        address: request.ip,
        before: request.sessionHash,
      })
      giveSession(reply, secure, token, expiresAt)
      return session
    },
  )
  app.get(
    '/api/session',
    { config: { access: 'public' }, schema: { response: { 200: sessionReplySchema } } },
    async (request) => ({ session: request.session }),
  )
  app.delete('/api/session', { config: { access: 'public' } }, async (request, reply) => {
    const token = request.cookies[secure ? '__Host-binoculum' : 'binoculum']
    if (token) await sessions.signOut(token)
    takeSession(reply, secure)
    return reply.code(204).send()
  })
  app.get(
    '/api/session/all',
    { config: { access: 'signed-in' }, schema: { response: { 200: ownSessionsSchema } } },
    async (request) => sessions.ofPerson(signedIn(request), request.sessionHash),
  )
  app.delete(
    '/api/session/others',
    { config: { access: 'signed-in' }, schema: { response: { 200: ownSessionsSchema } } },
    async (request) => sessions.signOutElsewhere(signedIn(request), request.sessionHash),
  )
  app.put(
    '/api/session/password',
    {
      config: { access: 'signed-in', ...slow },
      schema: { body: changePasswordSchema, response: { 200: sessionSchema } },
    },
    async (request, reply) => {
      const given = { ...request.body, address: request.ip }
      const { token, session, expiresAt } = await sessions.changePassword(signedIn(request), given)
      giveSession(reply, secure, token, expiresAt)
      return session
    },
  )
  app.get(
    '/api/invitations/:token',
    { config: { access: 'public', ...slow }, schema: { params: tokenParams, response: { 200: invitationSchema } } },
    async (request) => people.readInvitation(request.params.token),
  )
  app.post(
    '/api/invitations/:token',
    {
      config: { access: 'public', ...slow },
      schema: { params: tokenParams, body: acceptInvitationSchema, response: { 200: sessionSchema } },
    },
    async (request, reply) => {
      const { token, session, expiresAt } = await people.acceptInvitation(request.params.token, request.body)
      giveSession(reply, secure, token, expiresAt)
      return session
    },
  )
  app.get(
    '/api/agreements',
    { config: { access: anyRole }, schema: { response: { 200: branchAgreementsSchema } } },
    async (request) => ({ agreements: await people.agreements(signedIn(request)) }),
  )
  app.post(
    '/api/agreements',
    {
      config: { access: coordinatorOnly },
      schema: { body: writeAgreementSchema, response: { 200: branchAgreementsSchema } },
    },
    async (request) => ({ agreements: await people.writeAgreement(signedIn(request), request.body) }),
  )
  app.get(
    '/api/people',
    { config: { access: anyRole }, schema: { response: { 200: peopleSchema } } },
    async (request) => ({ people: await people.listStaff(signedIn(request)) }),
  )
  app.post(
    '/api/people',
    { config: { access: coordinatorOnly }, schema: { body: inviteSchema, response: { 200: oneTimeLinkSchema } } },
    async (request) => people.invite(signedIn(request), request.body),
  )
  app.post(
    '/api/people/:id/reset',
    { config: { access: coordinatorOnly }, schema: { params: idParams, response: { 200: oneTimeLinkSchema } } },
    async (request) => people.reset(signedIn(request), request.params.id),
  )
  app.post(
    '/api/people/:id/close',
    { config: { access: coordinatorOnly }, schema: { params: idParams } },
    async (request, reply) => {
      await people.close(signedIn(request), request.params.id)
      return reply.code(204).send()
    },
  )
  app.post(
    '/api/people/:id/role',
    {
      config: { access: coordinatorOnly },
      schema: {
        params: idParams,
        body: setRoleSchema,
        response: { 200: peopleSchema },
      },
    },
    async (request) => ({ people: await people.setRole(signedIn(request), request.params.id, request.body) }),
  )
  const listed = { 200: branchesSchema }
  app.get('/api/branches', { config: { access: anyRole }, schema: { response: listed } }, async (request) => ({
    branches: await branches.branches(signedIn(request)),
  }))
  app.post(
    '/api/branches',
    { config: { access: coordinatorOnly }, schema: { body: branchFieldsSchema, response: listed } },
    async (request) => ({ branches: await branches.addBranch(signedIn(request), request.body) }),
  )
  app.put(
    '/api/branches/:id',
    {
      config: { access: coordinatorOnly },
      schema: { params: idParams, body: branchFieldsSchema, response: listed },
    },
    async (request) => ({
      branches: await branches.changeBranch(signedIn(request), request.params.id, request.body),
    }),
  )
}
