import {
  MOST_CALENDAR_DAYS,
  calendarSchema,
  daySchema,
  idSchema,
  slotWishSchema,
  suggestedSlotsSchema,
} from '@binoculum/contract'
import { borrowerLevels, carriers, observerAges } from '@binoculum/core'
import { z } from 'zod'
import { anyRole, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Calendar } from './service.ts'

const params = z.object({ id: idSchema })
const wholeDays = (most: number) => z.coerce.number().int().min(1).max(most)

export async function calendarRoutes(app: App, calendar: Calendar) {
  app.get(
    '/api/branches/:id/calendar',
    {
      config: { access: anyRole },
      schema: {
        params,
        querystring: z.object({ from: daySchema, days: wholeDays(MOST_CALENDAR_DAYS) }),
        response: { 200: calendarSchema },
      },
    },
    async (request) => calendar.view(signedIn(request), request.params.id, request.query.from, request.query.days),
  )
  app.get(
    '/api/branches/:id/slots',
    {
      config: { access: deskRoles },
      schema: {
        params,
        querystring: z.object({
          wish: slotWishSchema,
          from: daySchema,
          until: daySchema,
          lengthDays: wholeDays(MOST_CALENDAR_DAYS),
          level: z.enum(borrowerLevels).optional(),
          carries: z.enum(carriers).optional(),
          age: z.enum(observerAges).optional(),
          seated: z.stringbool().optional(),
        }),
        response: { 200: suggestedSlotsSchema },
      },
    },
    async (request) => ({ slots: await calendar.suggest(signedIn(request), request.params.id, request.query) }),
  )
}
