import { z } from 'zod'

const FIRST_YEAR = 2000
const LAST_YEAR = 2100
const words = `must lie between ${FIRST_YEAR} and ${LAST_YEAR}`
const isOurs = (text: string) => Number(text.slice(0, 4)) >= FIRST_YEAR && Number(text.slice(0, 4)) <= LAST_YEAR

/** A day that somebody could mean: a slip of the finger such as 0226 is asked about, not kept. */
export const daySchema = z.iso.date().refine(isOurs, words)
export const instantSchema = z.iso.datetime().refine(isOurs, words)
