import { Transform, type Readable } from 'node:stream'
import { finished } from 'node:stream/promises'
import { branchArchiveResultSchema, broughtPicturesSchema, idSchema } from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { Problem } from '../../platform/errors.ts'
import type { BringInBranch } from './bring-in.ts'
import type { BringPictures } from './bring-pictures.ts'
import type { BranchArchive } from './service.ts'

/** What a branch with decades of loans, guides and pictures takes, and no more. */
const MOST_BYTES = 8_000_000_000
const params = z.object({ id: idSchema })
const querystring = z.object({ borrowers: z.enum(['with', 'without']).default('without') })

interface Rooms {
  readonly archive: BranchArchive
  readonly bringIn: BringInBranch
  readonly bringPictures: BringPictures
}

export async function branchArchiveRoutes(app: App, { archive, bringIn, bringPictures }: Rooms) {
  // Read as it comes, never held whole.
  app.removeContentTypeParser('application/json')
  for (const type of ['application/json', 'application/zip', 'application/octet-stream'])
    app.addContentTypeParser(type, (_request, body, done) => done(null, body.pipe(upTo(MOST_BYTES))))
  const config = { heavy: true, access: coordinatorOnly }
  app.get(
    '/api/branches/:id/archive',
    { config, compress: false, schema: { params, querystring } },
    async (request, reply) => {
      const wanted = { branchId: request.params.id, withBorrowers: request.query.borrowers === 'with' }
      const file = await archive.write(signedIn(request), wanted)
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', 'attachment; filename="branch.json"')
        .send(file)
    },
  )
  app.get(
    '/api/branches/:id/archive/pictures',
    { config, compress: false, schema: { params, querystring } },
    async (request, reply) => {
      const wanted = { branchId: request.params.id, withBorrowers: request.query.borrowers === 'with' }
      const zip = await archive.pictures(signedIn(request), wanted)
      return reply
        .type('application/zip')
        .header('content-disposition', 'attachment; filename="pictures.zip"')
        .send(zip)
    },
  )
  app.post(
    '/api/branches/:id/archive',
    { config, schema: { params, response: { 200: branchArchiveResultSchema } } },
    async (request) =>
      heardOut(request.raw, () => bringIn.read(signedIn(request), request.params.id, request.body as Readable)),
  )
  app.post(
    '/api/branches/:id/archive/pictures',
    { config, schema: { params, response: { 200: broughtPicturesSchema } } },
    async (request) =>
      heardOut(request.raw, () => bringPictures.read(signedIn(request), request.params.id, request.body as Readable)),
  )
}

function upTo(most: number): Transform {
  let seen = 0
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length
      if (seen > most) return done(new Problem('TOO_LARGE'))
      return done(null, chunk)
    },
  })
}

/** A refusal is heard only by who has finished speaking: a browser that is cut off while it sends says that there is no
 * connection. So the rest is taken and thrown away, for a while. */
async function heardOut<T>(sent: Readable, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    sent.unpipe()
    sent.resume()
    await finished(sent, { signal: AbortSignal.timeout(MOST_PATIENCE_MS) }).catch(() => undefined)
    throw error
  }
}
const MOST_PATIENCE_MS = 30_000
