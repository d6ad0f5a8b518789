/** What the tests use of the second almanac, which ships no types. */
declare module 'astronomia' {
  interface Equatorial {
    ra: number
    dec: number
  }
  export const apparent: {
    position(from: Equatorial, epochFrom: number, epochTo: number, motionRa: number, motionDec: number): Equatorial
  }
  export const solar: { apparentEquatorial(jde: number): Equatorial }
  export const julian: { DateToJD(date: Date): number }
  export const moonposition: {
    /** Geocentric, equinox of date: radians and kilometres. */
    position(jde: number): { lon: number; lat: number; range: number }
  }
  export const nutation: { nutation(jde: number): readonly [number, number]; meanObliquity(jde: number): number }
  /** Seconds of time. */
  export const sidereal: { apparent(jd: number): number }
  /** Radians; longitudes positive to the west, azimuths from the south to the west. */
  export const globe: { Coord: new (lat: number, lonWest: number) => { lat: number; lon: number } }
  export const coord: {
    Equatorial: new (
      ra: number,
      dec: number,
    ) => {
      toHorizontal(at: { lat: number; lon: number }, siderealSeconds: number): { az: number; alt: number }
    }
  }
}
