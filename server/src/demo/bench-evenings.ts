import type { Station } from '@binoculum/contract'
import {
  balanceOf,
  COIN_CELL_VOLTS,
  bareShaftMm,
  clockHourOf,
  learnFrom,
  lengthOf,
  readingsFromStation,
  setUpParts,
  templateProcedure,
  type PointXY,
} from '@binoculum/core'
import { timesOf } from '../features/checks/service.ts'
import { KitSoFar } from './kit-so-far.ts'

/** What the bench finds and leaves on a kit: readings wander between the evenings. */
export class BenchEvenings extends KitSoFar {
  /** A loan shakes mirror and finder a little. */
  protected wander() {
    const { mirrorDriftMm, worsens } = this.story
    const step = worsens ? { x: mirrorDriftMm * 0.8, y: mirrorDriftMm * 0.35 } : { x: 0, y: 0 }
    const shake = worsens ? mirrorDriftMm * 0.3 : mirrorDriftMm
    this.markMm = {
      x: this.markMm.x + step.x + this.chance.normal(shake),
      y: this.markMm.y + step.y + this.chance.normal(shake),
    }
    this.finderArcmin = Math.abs(this.finderArcmin + this.chance.normal(6))
  }

  /** A bench check: everything as found; what is beyond *good* is put right, unless the story says otherwise. */
  check(at: Date, leaveOff?: 'mirror' | 'finder') {
    if (leaveOff === 'mirror') this.markMm = { x: 4.4, y: 2.6 }
    if (leaveOff === 'finder') this.finderArcmin = 41
    const fine = { asFound: 'fine', asLeft: 'fine', note: '' } as const
    const minutes = () => this.chance.whole(2, 6)
    const stations: Station[] = [
      { station: 'glass', look: null, ...fine, minutes: minutes() },
      this.assemblyStation(),
      ...this.firstSetting(),
      ...(this.model.optics.collimatable
        ? [this.mirrorStation(leaveOff === 'mirror', minutes())]
        : [{ station: 'star' as const, look: null, ...fine, minutes: minutes() }]),
      this.finderStation(leaveOff === 'finder', minutes()),
      { station: 'pack', ...fine, minutes: minutes() },
    ]
    const before = { condition: this.judge(at).condition }
    const checkId = this.chance.id()
    const byStaffId = this.chance.pick(this.cast.staffIds)
    this.rows.checks.push({ id: checkId, kitId: this.kitId, byStaffId, at, stations })
    for (const station of stations)
      if (station.station === 'balance' && this.onMount)
        this.headMomentGmm = learnFrom(station, this.onMount) ?? this.headMomentGmm
    const kept = stations.flatMap((station) => readingsFromStation(station, this.checked))
    const kinds = kept.map(({ kind }) => String(kind))
    for (const row of this.rows.readings) if (kinds.includes(String(row.kind))) row.current = false
    this.keepStepTimes(stations, checkId, at)
    for (const reading of kept) {
      const { limit, ...rest } = reading
      const ids = { id: this.chance.id(), kitId: this.kitId, checkId, byStaffId }
      this.rows.readings.push({ ...rest, ...ids, limitValue: limit, at, current: true })
      this.latest.set(reading.kind, { ...reading, atUtc: at.toISOString() })
    }
    const open = this.openJobs().filter(({ partId }) => partId === null)
    for (const job of open) job.closedAt = at
    this.standsAt = leaveOff ? 'bench' : 'shelf'
    const after = { condition: this.judge(at).condition, readings: kept, jobsDone: open.length }
    this.append('checked', at, byStaffId, { before, after })
  }

  /** Everything goes together as it should; each step takes about as long as it does. */
  protected assemblyStation(): Station {
    const { family, optics, parts } = this.model
    const roles = parts.map(({ role }) => role)
    const { setUp } = templateProcedure({ family, collapsible: optics.collapsible, parts: roles })
    const steps = setUp
      .filter(({ phase }) => phase !== 'unpack')
      .map(({ key, title, phase, lines }) => ({
        key,
        title,
        phase,
        asFound: 'fine' as const,
        asLeft: 'fine' as const,
        said: [],
        seconds: Math.max(4, Math.round(lines.length * 14 + this.times.normal(8))),
      }))
    const seconds = steps.reduce((sum, step) => sum + step.seconds, 0)
    return { station: 'assembly', shake: null, steps, note: '', minutes: Math.round(seconds / 6) / 10 }
  }

  /** At the second check, with its own masses known, the kit is balanced until it stays, and set for the place. */
  protected firstSetting(): Station[] {
    const kit = this.onMount
    const head = this.model.mount?.equatorial
    if (!kit || !head || this.rows.checks.length !== 1) return []
    const on = [...setUpParts(kit.parts, 'usual')]
    const { shaft } = balanceOf({ ...kit, headMomentGmm: this.trueHeadGmm }, on)
    const latitude = { setDeg: 52 + this.times.whole(0, 1) }
    const place: Station = {
      station: 'place',
      way: 'latitude',
      landings: null,
      drift: null,
      latitudeDeg: 52.7,
      asFound: { setDeg: latitude.setDeg - this.times.whole(0, 6) },
      asLeft: latitude,
      note: '',
      minutes: 2,
    }
    if (!shaft || shaft.positionMm === null) return [place]
    const right = Math.round(bareShaftMm(head, kit.parts, shaft.positionMm))
    const balance: Station = {
      station: 'balance',
      way: 'shaft',
      on,
      asFound: { bareShaftMm: Math.max(0, right + this.times.whole(-25, 25)) },
      asLeft: { bareShaftMm: right },
      stays: true,
      note: '',
      minutes: 5,
    }
    return [balance, place]
  }

  protected keepStepTimes(stations: readonly Station[], checkId: string, at: Date) {
    for (const time of timesOf(stations))
      this.rows.stepTimes.push({
        ...{ id: this.times.id(), modelId: this.modelId, kitId: this.kitId, checkId, at },
        ...time,
      })
  }

  protected mirrorStation(leaveOff: boolean, minutes: number): Station {
    const asFound = writtenDown(this.markMm)
    const good =
      (readingsFromStation({ station: 'collimation', asFound, asLeft: asFound }, this.checked)[0]?.good ?? 0) * 2
    const touch = !leaveOff && !this.story.worsens && lengthOf(this.markMm) > good
    if (touch) this.markMm = { x: this.chance.normal(0.25), y: this.chance.normal(0.25) }
    return {
      station: 'collimation',
      asFound,
      asLeft: writtenDown(this.markMm),
      turned: [],
      lookedAfterLocking: touch,
      openings: [],
      sun: { siteId: null, shaded: true },
      note: '',
      minutes,
    }
  }

  /** A cell falls slowly, and is new where it fell too low; a finder's own parts are as they should be, nearly always. */
  private cellVolts = 3.05
  private finderCare(): Pick<Extract<Station, { station: 'finder' }>, 'care' | 'opticalCare'> {
    const roles = this.model.parts.map(({ role }) => role)
    if (roles.includes('coin-cell')) {
      this.cellVolts -= this.care.between(0.01, 0.05)
      if (this.cellVolts < COIN_CELL_VOLTS.low) this.cellVolts = 3.05
      const volts = Math.round(this.cellVolts * 100) / 100
      const care = { brightness: 'middling' as const, switchedOff: true, tabIn: true, doorScrewed: true, volts }
      return { care, opticalCare: null }
    }
    const opticalCare = {
      frontCell: this.care.next() < 0.15 ? ('blurred' as const) : ('sharp-and-locked' as const),
      oRing: roles.includes('finder-o-ring') ? ('seated' as const) : null,
      capsThere: this.care.next() > 0.1,
      atHighestPower: this.care.next() < 0.2 ? ('outside' as const) : ('inside' as const),
    }
    return { care: null, opticalCare }
  }

  protected finderStation(leaveOff: boolean, minutes: number): Station {
    const typed = () => ({ way: 'typed' as const, misalignmentArcmin: Math.round(this.finderArcmin), target: null })
    const asFound = typed()
    if (!leaveOff && this.finderArcmin > 15) this.finderArcmin = this.chance.between(3, 11)
    return {
      station: 'finder',
      asFound,
      asLeft: typed(),
      turned: [],
      siteId: null,
      ...this.finderCare(),
      note: '',
      minutes,
    }
  }
}

/** As a person writes it: tenths of a millimetre and a clock hour. */
const writtenDown = (markMm: PointXY) => ({
  way: 'typed' as const,
  offsetMm: Math.round(lengthOf(markMm) * 10) / 10,
  clockHours: clockHourOf(markMm),
})
