import {
  storedGuideSchema,
  type FirstNights as FirstNightsView,
  type NightTold,
  type Session,
} from '@binoculum/contract'
import { nightStops, plain, toldKey } from '@binoculum/core'
import { DateTime } from 'luxon'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { hashToken } from '../../platform/secrets.ts'
import type { Shelf } from '../judgement/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { ToldStopRow, ToldTargetRow } from './entities.ts'
import * as queries from './queries.ts'

/** What borrowers saw on their evenings, and where those ended: kept as counts of their model, so that nobody can be known
 * by it. It ranks the targets of guides to come and shows which step people stop at. */
export class FirstNights {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly sheets: Sheets,
  ) {}

  /** Counts one evening of a loan, once: told again it changes nothing.
   * @throws Problem LINK_OVER, BAD_INPUT naming what isn't this guide's */
  async tell(token: string, { date, tried, saw, stop }: NightTold): Promise<void> {
    const { database, clock } = this.context
    const now = clock()
    await database.inTransaction(async (tx) => {
      const found = await queries.guideToTell(tx, hashToken(token), now)
      if (!found) throw new Problem('LINK_OVER')
      if (found.nightsTold.includes(date)) return
      const guide = storedGuideSchema.parse(found.content)
      const night = guide.nights.find((each) => each.date === date)
      const zone = guide.place?.zone ?? 'UTC'
      // By the server's clock and the place's day: what is still to come can't be told.
      if (!night || date > DateTime.fromJSDate(now, { zone }).toFormat('yyyy-MM-dd'))
        throw wrong('date', 'must be an evening of this loan that has begun')
      const names = guide.texts.en?.targets ?? {}
      const known = new Map(night.targets.map(({ id }) => [toldKey(id), plain(names[id]?.name ?? id)]))
      const strange = tried.find((key) => !known.has(key))
      if (strange !== undefined) throw wrong('tried', `${strange} isn’t among that evening’s targets`)
      const step = guide.texts.en?.setUp.find(({ key }) => key === stop)
      if (stop !== null && !step && !isNightStop(stop)) throw wrong('stop', 'must be a step of this guide')
      await queries.countNight(tx, found.modelId, {
        targets: [...new Set(tried)].map((key) => ({
          key,
          name: known.get(key) ?? key,
          saw: saw.includes(key) ? 1 : 0,
        })),
        stop: { key: stop ?? '', title: step ? plain(step.title) : (stop ?? '') },
      })
      await queries.noteNightTold(tx, found.loanId, date)
    })
  }

  /** What the borrowers of a kit's model told, what was looked for most first. */
  async ofKit(session: Session, kitCode: string): Promise<FirstNightsView> {
    const { reader } = this.context.database
    const { id } = await this.sheets.sheet(session, kitCode)
    const { modelId, modelName } = await this.shelf.rowById(reader, id)
    const targets = await reader.find(ToldTargetRow, { where: { modelId }, order: { tried: 'DESC', key: 'ASC' } })
    const stops = await reader.find(ToldStopRow, { where: { modelId }, order: { nights: 'DESC', key: 'ASC' } })
    return {
      modelName,
      nights: stops.reduce((sum, { nights }) => sum + nights, 0),
      targets: targets.map(({ key, name, tried, saw }) => ({ key, name, tried, saw })),
      stops: stops.filter(({ key }) => key !== '').map(({ key, title, nights }) => ({ key, title, nights })),
    }
  }
}

const isNightStop = (stop: string): boolean => (nightStops as readonly string[]).includes(stop)
const wrong = (path: string, message: string) => new Problem('BAD_INPUT', { issues: [{ path, message }] })
