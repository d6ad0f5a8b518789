import type { DrawnPath } from './solid.ts'

/** An adult of 1.70 m, seen from the side, only in outline; so one sees how high a kit stands. */
const HEIGHT_MM = 1700

/** Millimetres, feet at 0, facing right. */
const outlines: readonly string[] = [
  // Head with its hair line.
  'M-62 1640C-96 1690 -70 1702 0 1700C66 1698 92 1668 90 1610L104 1566L88 1560C90 1510 78 1492 40 1496L34 1462M-64 1636C-84 1560 -60 1510 -48 1492L-50 1452M-72 1640C-20 1618 40 1622 88 1640',
  // Coat and arm.
  'M-50 1452C-110 1436 -128 1400 -132 1320L-128 850H118C112 1000 132 1180 124 1330C118 1410 84 1446 34 1462M-44 1340C-58 1200 -60 1080 -40 1020C0 960 50 930 96 916M-4 1300C-6 1200 -8 1120 10 1070',
  // Legs and shoes.
  'M-116 850L-104 470L-92 84M-8 850L-16 470L-18 84M-8 850L10 470L22 84M112 850L96 470L84 84M-100 84C-112 40 -112 20 -104 0H78C78 34 40 52 -14 84M22 84C14 44 14 20 20 0H186C184 34 140 54 84 84',
]

/** @param atPx page x of its middle; @param groundPx page y of the ground */
export function person(atPx: number, groundPx: number, pxPerMm: number): readonly DrawnPath[] {
  return outlines.map((d) => ({
    kind: 'path',
    look: 'person',
    d: d.replace(/([MLCHV])([^MLCHV]*)/g, (_all, command: string, rest: string) => {
      const numbers = (rest.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)
      const at = numbers.map((value, index) => {
        const isX = command === 'H' || (command !== 'V' && index % 2 === 0)
        return (isX ? atPx + value * pxPerMm : groundPx - value * pxPerMm).toFixed(1)
      })
      return command + at.join(' ')
    }),
  }))
}

export const personHeightPx = (pxPerMm: number): number => HEIGHT_MM * pxPerMm
