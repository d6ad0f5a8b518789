import { z } from 'zod'

const FIRST_YEAR = 2000
const LAST_YEAR = 2100
const words = `must lie between ${FIRST_YEAR} and ${LAST_YEAR}`
/** What is no day at all is said by the form of it, and only once. */
const isOurs = (text: string) => {
  const [, year = ''] = /^(\d{4})-/.exec(text) ?? []
  return year === '' || (Number(year) >= FIRST_YEAR && Number(year) <= LAST_YEAR)
}

/** A day that somebody could mean: a slip of the finger such as 0226 is asked about, not kept. */
export const daySchema = z.iso.date().refine(isOurs, words)
export const instantSchema = z.iso.datetime().refine(isOurs, words)
