import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Opening } from '../opening/service.ts'
import { calendarRoutes } from './routes.ts'
import { Calendar } from './service.ts'

export const calendar: Feature = {
  name: 'calendar',
  open: (house) => house.offer(new Calendar(house.context, house.use(Shelf), house.use(Opening))),
  routes: (app, house) => calendarRoutes(app, house.use(Calendar)),
}
