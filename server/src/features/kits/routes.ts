import {
  backInServiceSchema,
  changeKitSchema,
  newKitSchema,
  collimationPolicySchema,
  finderOffsetGivenSchema,
  countRestSchema,
  cureHazardSchema,
  foundSchema,
  idSchema,
  kitChangeSchema,
  kitSheetSchema,
  knownWearSchema,
  markPartSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { KitSetUp } from './kit-set-up.ts'
import type { Kits } from './service.ts'

export async function kitRoutes(app: App, { kits, setUp }: { kits: Kits; setUp: KitSetUp }) {
  app.post(
    '/api/kits',
    { config: { access: coordinatorOnly }, schema: { body: newKitSchema, response: { 200: kitSheetSchema } } },
    async (request) => setUp.create(signedIn(request), request.body),
  )
  app.put(
    '/api/kits/:id',
    {
      config: { access: coordinatorOnly },
      schema: { params: z.object({ id: idSchema }), body: changeKitSchema, response: { 200: kitSheetSchema } },
    },
    async (request) => setUp.change(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/parts/:partId/wear',
    {
      config: { access: deskRoles },
      schema: {
        params: z.object({ id: idSchema, partId: idSchema }),
        body: knownWearSchema,
        response: { 200: kitChangeSchema },
      },
    },
    async (request) => {
      const { id, partId } = request.params
      return kits.noteWear(signedIn(request), { kitId: id, partId }, request.body)
    },
  )
  app.post(
    '/api/kits/:id/parts/:partId/mark',
    {
      config: { access: deskRoles },
      schema: {
        params: z.object({ id: idSchema, partId: idSchema }),
        body: markPartSchema,
        response: { 200: kitChangeSchema },
      },
    },
    async (request) => {
      const { id, partId } = request.params
      return kits.markPart(signedIn(request), { kitId: id, partId }, request.body)
    },
  )
  app.post(
    '/api/kits/:id/count-rest',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ id: idSchema }), body: countRestSchema, response: { 200: kitChangeSchema } },
    },
    async (request) => kits.countRest(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/extras/:extraId/settle',
    {
      config: { access: deskRoles },
      schema: {
        params: z.object({ id: idSchema, extraId: idSchema }),
        body: countRestSchema,
        response: { 200: kitSheetSchema },
      },
    },
    async (request) => {
      const { id, extraId } = request.params
      return kits.settleExtra(signedIn(request), { kitId: id, extraId }, request.body)
    },
  )
  app.post(
    '/api/kits/:id/back-in-service',
    {
      config: { access: coordinatorOnly },
      schema: { params: z.object({ id: idSchema }), body: backInServiceSchema, response: { 200: kitSheetSchema } },
    },
    async (request) => kits.backInService(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/cure',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ id: idSchema }), body: cureHazardSchema, response: { 200: kitSheetSchema } },
    },
    async (request) => kits.cureHazard(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/collimation-policy',
    {
      config: { access: coordinatorOnly },
      schema: {
        params: z.object({ id: idSchema }),
        body: collimationPolicySchema,
        response: { 200: kitSheetSchema },
      },
    },
    async (request) => kits.setCollimationPolicy(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/finder-offset',
    {
      config: { access: deskRoles },
      schema: {
        params: z.object({ id: idSchema }),
        body: finderOffsetGivenSchema,
        response: { 200: kitSheetSchema },
      },
    },
    async (request) => kits.measureFinder(signedIn(request), request.params.id, request.body),
  )
  app.get(
    '/api/find',
    {
      config: { heavy: true, access: anyRole },
      schema: { querystring: z.object({ text: z.string().trim().min(1).max(100) }), response: { 200: foundSchema } },
    },
    async (request) => kits.find(signedIn(request), request.query.text),
  )
}
