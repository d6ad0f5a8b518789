declare module 'magvar' {
  /** Declination in degrees, east +; altitude in km above sea level, `when` a decimal year. Rounded to 0.01°. */
  export function magvar(latitudeDeg: number, longitudeDeg: number, altitudeKm: number, when: number): number
}
