import type { Station } from '@binoculum/contract'

/** A whole station's time stands beside those of steps, under a key that no step has. */
export const STATION_KEY = 'station '
/** Shorter than this nobody did a step: it was ticked off in passing, and would make the estimates dishonest. */
const SHORTEST_SECONDS = 2

/** What each step of putting together took, and each station as a whole. */
export function timesOf(stations: readonly Station[]): { readonly stepKey: string; readonly seconds: number }[] {
  const steps = stations.flatMap((station) => (station.station === 'assembly' ? station.steps : []))
  const times = [
    ...steps.map(({ key, seconds }) => ({ stepKey: key, seconds })),
    ...stations.map(({ station, minutes }) => ({ stepKey: STATION_KEY + station, seconds: minutes * 60 })),
  ]
  return times.filter(({ seconds }) => seconds >= SHORTEST_SECONDS)
}
