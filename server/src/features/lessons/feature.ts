import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Loans } from '../loans/service.ts'
import { LessonPages } from './page.ts'
import { lessonRoutes } from './routes.ts'
import { Lessons } from './service.ts'

export const lessons: Feature = {
  name: 'lessons',
  acts: actsOf.lessons,
  routes: (app, house) =>
    lessonRoutes(app, {
      lessons: new Lessons(house.context, house.use(Loans)),
      pages: new LessonPages(house.webFolder),
    }),
}
