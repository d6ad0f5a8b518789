import type { Feature } from '../../platform/feature.ts'
import { calculatorRoutes } from './routes.ts'

export const calculators: Feature = { name: 'calculators', routes: (app) => calculatorRoutes(app) }
