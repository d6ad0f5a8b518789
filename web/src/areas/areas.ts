import { frameWords } from './words.ts'

const t = frameWords('areas')

/** Areas are named after places people stand in; `g` and a letter goes there. */
export interface Area {
  readonly name: string
  readonly path: string
  readonly key: string
  /** Furniture seen from above, in a box of 34 × 30. */
  readonly drawing: string
}

export const areas: readonly Area[] = [
  { name: t('shelf'), path: '/shelf', key: 's', drawing: 'M0 2H10V28H0M0 8.5H10M0 15H10M0 21.5H10' },
  { name: t('desk'), path: '/desk', key: 'd', drawing: 'M0 4H20V26H14V10H0' },
  {
    name: t('bench'),
    path: '/bench',
    key: 'b',
    drawing: 'M0 3H18V27H0M5 10.5a4 4 0 1 0 8 0a4 4 0 1 0-8 0M5 19H13V23H5Z',
  },
  { name: t('guides'), path: '/guides', key: 'u', drawing: 'M0 4H10V9H0M0 9H14V14H0M0 14H9V19H0M0 19H13V24H0' },
  {
    name: t('calendar'),
    path: '/calendar',
    key: 'c',
    drawing: 'M0 2H8V28H0M3 8H8M3 13H8M3 18H8M3 23H8',
  },
  {
    name: t('logbook'),
    path: '/logbook',
    key: 'l',
    drawing: 'M12 3L23 14L12 25L1 14ZM4.7 10.3L15.7 21.3M8.3 6.7L19.3 17.7',
  },
  {
    name: t('practice'),
    path: '/practice',
    key: 'p',
    drawing: 'M2 15a8.5 8.5 0 1 0 17 0a8.5 8.5 0 1 0-17 0M4.5 21L16.5 9',
  },
  { name: t('setUp'), path: '/setup', key: 'e', drawing: 'M0 5H13V13H20V21H8V13M0 13H8V21H0' },
]
