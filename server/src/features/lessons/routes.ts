import { idSchema, lessonLinkSchema } from '@binoculum/contract'
import { z } from 'zod'
import { deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { Problem } from '../../platform/errors.ts'
import { LESSON_OVER_PAGE, type LessonPages } from './page.ts'
import type { Lessons } from './service.ts'

const tokenSchema = z.object({ token: z.string().min(20).max(64) })
const perMinute = (max: number) => ({ max, timeWindow: '1 minute' })

export async function lessonRoutes(app: App, { lessons, pages }: { lessons: Lessons; pages: LessonPages }) {
  app.post(
    '/api/promises/:id/lesson',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ id: idSchema }), response: { 200: lessonLinkSchema } },
    },
    async (request) => lessons.offer(signedIn(request), request.params.id),
  )
  app.post(
    '/api/lessons/:token/done',
    {
      config: { access: 'public', rateLimit: perMinute(12) },
      schema: { params: tokenSchema, response: { 204: z.null() } },
    },
    async (request, reply) => {
      await lessons.done(request.params.token)
      return reply.code(204).send(null)
    },
  )
  app.get(
    '/l/:token',
    {
      config: { access: 'public', rateLimit: perMinute(30) },
      schema: {
        params: z.object({ token: z.string().max(200) }),
        querystring: z.object({ lang: z.string().max(8).optional() }),
      },
    },
    async (request, reply) => {
      const { token } = request.params
      reply
        .type('text/html; charset=utf-8')
        .header('x-robots-tag', 'noindex, nofollow')
        .header('cache-control', 'private, no-store')
      const lesson = await lessons.byToken(token)
      if (!lesson) return reply.code(404).send(LESSON_OVER_PAGE)
      const page = await pages.page(lesson, token, request.query.lang)
      if (page === null) throw new Problem('NOT_FOUND')
      return reply.send(page)
    },
  )
}
