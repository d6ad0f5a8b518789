import { Readable } from 'node:stream'
import {
  addSpareSchema,
  confirmListSchema,
  copyModelSchema,
  newModelSchema,
  writeHeadSchema,
  drawerSchema,
  idSchema,
  kitSheetSchema,
  madeSchema,
  movedSpareSchema,
  listPreviewSchema,
  modelListSchema,
  modelSheetSchema,
  moveSpareSchema,
  previewListSchema,
  weighCompleteSchema,
  writeModelSchema,
  writeFinderSchema,
  writeMirrorSchema,
  writeMountSchema,
  writeProcedureSchema,
  writeSpareSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { Problem } from '../../platform/errors.ts'
import type { Lists, Models, Pictures, Spares, Weighings } from './service.ts'

const BODY_LIMIT = 18_000_000
const PICTURE_LIMIT = 12_000_000
const branchQuery = z.object({ branchId: idSchema })
const params = z.object({ id: idSchema })
const model = { 200: modelSheetSchema }
const drawer = { 200: drawerSchema }

async function* asText(lines: AsyncIterable<unknown>): AsyncGenerator<string> {
  for await (const line of lines) yield `${JSON.stringify(line)}\n`
}

export interface ContentsServices {
  readonly lists: Lists
  readonly models: Models
  readonly spares: Spares
  readonly weighings: Weighings
  readonly pictures: Pictures
}

export async function contentsRoutes(app: App, services: ContentsServices) {
  const { lists, models, spares, weighings, pictures } = services
  app.post(
    '/api/lists/preview',
    {
      config: { heavy: true, access: coordinatorOnly },
      bodyLimit: BODY_LIMIT,
      schema: { body: previewListSchema, response: { 200: listPreviewSchema } },
    },
    async (request) => lists.preview(signedIn(request), request.body),
  )
  app.post(
    '/api/lists/confirm',
    { config: { heavy: true, access: coordinatorOnly }, bodyLimit: BODY_LIMIT, schema: { body: confirmListSchema } },
    async (request, reply) => {
      const lines = await lists.confirm(signedIn(request), request.body)
      return reply.type('application/x-ndjson').send(Readable.from(asText(lines)))
    },
  )
  app.get(
    '/api/lists/export',
    { config: { heavy: true, access: anyRole }, schema: { querystring: branchQuery } },
    async (request, reply) => {
      const text = await lists.export(signedIn(request), request.query.branchId)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="kits.csv"')
        .send(text)
    },
  )
  app.get(
    '/api/models',
    { config: { access: anyRole }, schema: { response: { 200: modelListSchema } } },
    async (request) => models.list(signedIn(request)),
  )
  app.get('/api/models/:id', { config: { access: anyRole }, schema: { params, response: model } }, async (request) =>
    models.sheet(signedIn(request), request.params.id),
  )
  app.put(
    '/api/models/:id',
    { config: { access: coordinatorOnly }, schema: { params, body: writeModelSchema, response: model } },
    async (request) => models.write(signedIn(request), request.params.id, request.body),
  )
  app.put(
    '/api/models/:id/mount',
    { config: { access: coordinatorOnly }, schema: { params, body: writeMountSchema, response: model } },
    async (request) => models.writeMount(signedIn(request), request.params.id, request.body),
  )
  app.put(
    '/api/models/:id/mirror',
    { config: { access: coordinatorOnly }, schema: { params, body: writeMirrorSchema, response: model } },
    async (request) => models.writeMirror(signedIn(request), request.params.id, request.body),
  )
  app.put(
    '/api/models/:id/finder',
    { config: { access: coordinatorOnly }, schema: { params, body: writeFinderSchema, response: model } },
    async (request) => models.writeFinder(signedIn(request), request.params.id, request.body),
  )
  app.put(
    '/api/models/:id/procedure',
    { config: { access: coordinatorOnly }, schema: { params, body: writeProcedureSchema, response: model } },
    async (request) => models.writeProcedure(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/models',
    { config: { access: coordinatorOnly }, schema: { body: newModelSchema, response: model } },
    async (request) => models.create(signedIn(request), request.body),
  )
  app.put(
    '/api/models/:id/head',
    { config: { access: coordinatorOnly }, schema: { params, body: writeHeadSchema, response: model } },
    async (request) => models.writeHead(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/models/:id/copy',
    { config: { access: coordinatorOnly }, schema: { params, body: copyModelSchema, response: model } },
    async (request) => models.copy(signedIn(request), request.params.id, request.body.name),
  )
  app.get('/api/spares', { config: { access: anyRole }, schema: { response: drawer } }, async (request) =>
    spares.drawer(signedIn(request)),
  )
  app.post(
    '/api/spares',
    { config: { access: coordinatorOnly }, schema: { body: writeSpareSchema, response: drawer } },
    async (request) => spares.write(signedIn(request), null, request.body),
  )
  app.post(
    '/api/spares/:id',
    { config: { access: coordinatorOnly }, schema: { params, body: writeSpareSchema, response: drawer } },
    async (request) => spares.write(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/spares/:id/move',
    {
      config: { access: deskRoles },
      schema: {
        params,
        body: moveSpareSchema,
        response: { 200: movedSpareSchema },
      },
    },
    async (request) => spares.move(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/spares/:id/add',
    {
      config: { access: deskRoles },
      schema: {
        params,
        body: addSpareSchema,
        response: { 200: movedSpareSchema },
      },
    },
    async (request) => spares.add(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/weighings',
    {
      config: { access: deskRoles },
      schema: { params, body: weighCompleteSchema, response: { 200: kitSheetSchema } },
    },
    async (request) => weighings.weighComplete(signedIn(request), request.params.id, request.body),
  )
  app.register(async (scope) => {
    scope.addContentTypeParser(
      /^image\/.+/,
      { parseAs: 'buffer', bodyLimit: PICTURE_LIMIT },
      (_request, body: Buffer, done: (error: null, body: Buffer) => void) => done(null, body),
    )
    scope.post<{ Querystring: { branchId: string }; Body: Buffer }>(
      '/api/pictures',
      {
        config: { access: deskRoles, rateLimit: { max: 60, timeWindow: '1 minute' } },
        bodyLimit: PICTURE_LIMIT,
        schema: { querystring: z.object({ branchId: idSchema }), response: { 200: madeSchema } },
      },
      async (request) => {
        if (!Buffer.isBuffer(request.body)) throw new Problem('NOT_A_PICTURE')
        return pictures.keep(signedIn(request), request.query.branchId, request.body)
      },
    )
  })
  app.get('/api/pictures/:id', { config: { access: anyRole }, schema: { params } }, async (request, reply) => {
    const bytes = await pictures.read(signedIn(request), request.params.id)
    return reply.type('image/jpeg').header('cache-control', 'private, max-age=31536000, immutable').send(bytes)
  })
}
