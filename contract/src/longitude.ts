import { z } from 'zod'

/** East +, in (−180, 180]: a map that goes on past its edge says 190 where −170 is meant. */
export const longitudeSchema = z
  .number('a longitude lies between −180 and 180°, east +')
  .min(-360, 'a longitude lies between −180 and 180°, east +')
  .max(360, 'a longitude lies between −180 and 180°, east +')
  .overwrite((deg) => (Math.abs(deg) <= 180 ? deg : deg > 0 ? deg - 360 : deg + 360))
