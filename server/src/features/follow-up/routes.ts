import {
  batteryRoundSchema,
  changeJobSchema,
  draftMessageSchema,
  followUpSchema,
  idSchema,
  lossSchema,
  messageSchema,
  noticeResultSchema,
  noticeSchema,
  outboxSchema,
  settleJobSchema,
  writeMessageSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { pageQuery } from '../../platform/paging.ts'
import type { FollowUps, Letters } from './service.ts'

const params = z.object({ id: idSchema })
const list = { 200: followUpSchema }
const message = { 200: messageSchema }

export async function followUpRoutes(app: App, { followUps, letters }: { followUps: FollowUps; letters: Letters }) {
  app.get('/api/jobs', { config: { access: anyRole }, schema: { response: list } }, async (request) =>
    followUps.list(signedIn(request)),
  )
  app.post(
    '/api/jobs/:id',
    { config: { access: deskRoles }, schema: { params, body: changeJobSchema, response: list } },
    async (request) => followUps.change(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/jobs/:id/settle',
    { config: { access: deskRoles }, schema: { params, body: settleJobSchema, response: list } },
    async (request) => followUps.settle(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/notices',
    { config: { access: coordinatorOnly }, schema: { body: noticeSchema, response: { 200: noticeResultSchema } } },
    async (request) => followUps.notice(signedIn(request), request.body),
  )
  app.post(
    '/api/battery-rounds',
    {
      config: { access: coordinatorOnly },
      schema: { body: batteryRoundSchema, response: { 200: noticeResultSchema } },
    },
    async (request) => followUps.batteryRound(signedIn(request), request.body),
  )
  app.post(
    '/api/kits/:id/loss',
    { config: { access: coordinatorOnly }, schema: { params, body: lossSchema, response: list } },
    async (request) => followUps.loss(signedIn(request), request.params.id, request.body),
  )
  app.get(
    '/api/messages',
    { config: { access: deskRoles }, schema: { querystring: pageQuery, response: { 200: outboxSchema } } },
    async (request) => letters.outbox(signedIn(request), request.query.before),
  )
  app.post(
    '/api/messages',
    { config: { access: deskRoles }, schema: { body: draftMessageSchema, response: message } },
    async (request) => letters.draft(signedIn(request), request.body.jobIds),
  )
  app.post(
    '/api/messages/:id',
    { config: { access: deskRoles }, schema: { params, body: writeMessageSchema, response: message } },
    async (request) => letters.write(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/messages/:id/send',
    { config: { access: deskRoles }, schema: { params, response: message } },
    async (request) => letters.send(signedIn(request), request.params.id),
  )
  app.get('/api/messages/:id/eml', { config: { access: deskRoles }, schema: { params } }, async (request, reply) => {
    const { fileName, bytes } = await letters.asFile(signedIn(request), request.params.id)
    return reply
      .type('message/rfc822')
      .header('content-disposition', `attachment; filename="${fileName}"`)
      .send(bytes)
  })
}
