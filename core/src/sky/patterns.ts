/** Stars that make the shapes people steer by, for the small finding drawings: mean places J2000.0 in degrees and visual
 * magnitudes, rounded from the Hipparcos catalogue (ESA 1997, public). Lines join neighbours of one shape; they are our own
 * choice of what a beginner sees first. */
export interface PatternStar {
  readonly raJ2000Deg: number
  readonly decJ2000Deg: number
  readonly magnitude: number
}

type Listed = readonly [raDeg: number, decDeg: number, magnitude: number]

interface Pattern {
  readonly stars: readonly Listed[]
  /** Pairs of places in `stars`. */
  readonly lines: readonly (readonly [number, number])[]
}

const chain = (...stars: readonly number[]): readonly (readonly [number, number])[] =>
  stars.slice(1).map((star, index) => [stars[index] ?? star, star])

const patterns: readonly Pattern[] = [
  // The Plough.
  {
    stars: [
      [165.93, 61.75, 1.81],
      [165.46, 56.38, 2.34],
      [178.46, 53.69, 2.41],
      [183.86, 57.03, 3.32],
      [193.51, 55.96, 1.76],
      [200.98, 54.93, 2.23],
      [206.89, 49.31, 1.85],
    ],
    lines: [...chain(0, 1, 2, 3, 4, 5, 6), [3, 0]],
  },
  // The W of Cassiopeia.
  {
    stars: [
      [2.29, 59.15, 2.28],
      [10.13, 56.54, 2.24],
      [14.18, 60.72, 2.15],
      [21.45, 60.24, 2.66],
      [28.6, 63.67, 3.35],
    ],
    lines: chain(0, 1, 2, 3, 4),
  },
  // Orion, with the belt's three in the middle.
  {
    stars: [
      [88.79, 7.41, 0.45],
      [81.28, 6.35, 1.64],
      [83.0, -0.3, 2.25],
      [84.05, -1.2, 1.69],
      [85.19, -1.94, 1.74],
      [86.94, -9.67, 2.07],
      [78.63, -8.2, 0.18],
    ],
    lines: [...chain(0, 1, 2, 3, 4, 0), [4, 5], ...chain(5, 6, 2)],
  },
  // The Swan's cross.
  {
    stars: [
      [310.36, 45.28, 1.25],
      [305.56, 40.26, 2.23],
      [296.24, 45.13, 2.86],
      [311.55, 33.97, 2.48],
      [292.68, 27.96, 3.05],
    ],
    lines: [...chain(0, 1, 4), ...chain(2, 1, 3)],
  },
  // The Lyre.
  {
    stars: [
      [279.23, 38.78, 0.03],
      [281.19, 37.61, 4.34],
      [282.52, 33.36, 3.52],
      [284.74, 32.69, 3.25],
      [283.63, 36.9, 4.22],
    ],
    lines: chain(0, 1, 2, 3, 4, 1),
  },
  // The Lion: sickle and hind part.
  {
    stars: [
      [152.09, 11.97, 1.36],
      [151.83, 16.76, 3.48],
      [154.99, 19.84, 2.01],
      [154.17, 23.42, 3.43],
      [148.19, 26.01, 3.88],
      [146.46, 23.77, 2.97],
      [168.53, 20.52, 2.56],
      [177.26, 14.57, 2.14],
      [168.56, 15.43, 3.33],
    ],
    lines: [...chain(0, 1, 2, 3, 4, 5), ...chain(2, 6, 7, 8, 0)],
  },
  // The great square, and the chain from its corner.
  {
    stars: [
      [2.1, 29.09, 2.07],
      [346.19, 15.21, 2.49],
      [345.94, 28.08, 2.44],
      [3.31, 15.18, 2.83],
      [17.43, 35.62, 2.07],
      [30.97, 42.33, 2.1],
      [326.05, 9.88, 2.38],
      [332.55, 6.2, 3.52],
    ],
    lines: [...chain(0, 2, 1, 3, 0, 4, 5), ...chain(1, 7, 6)],
  },
  // The Twins.
  {
    stars: [
      [113.65, 31.89, 1.58],
      [116.33, 28.03, 1.16],
      [100.98, 25.13, 3.06],
      [99.43, 16.4, 1.93],
      [95.74, 22.51, 2.87],
    ],
    lines: [...chain(0, 2, 4), ...chain(1, 3), [0, 1]],
  },
  // The Bull.
  {
    stars: [
      [68.98, 16.51, 0.87],
      [81.57, 28.61, 1.65],
      [67.15, 19.18, 3.53],
      [65.73, 17.54, 3.77],
    ],
    lines: [...chain(0, 3, 2, 1)],
  },
  // The Charioteer.
  {
    stars: [
      [79.17, 46.0, 0.08],
      [89.88, 44.95, 1.9],
      [89.93, 37.21, 2.65],
      [81.57, 28.61, 1.65],
      [74.25, 33.17, 2.69],
    ],
    lines: chain(0, 1, 2, 3, 4, 0),
  },
  // The Archer's teapot.
  {
    stars: [
      [276.04, -34.38, 1.79],
      [275.25, -29.83, 2.72],
      [276.99, -25.42, 2.82],
      [281.41, -26.99, 3.17],
      [285.65, -29.88, 2.6],
      [286.74, -27.67, 3.32],
      [283.82, -26.3, 2.05],
      [271.45, -30.42, 2.98],
    ],
    lines: [...chain(0, 1, 2, 3, 4, 0), ...chain(4, 5, 6, 3), ...chain(0, 7, 1), [1, 3]],
  },
  // The Scorpion.
  {
    stars: [
      [241.36, -19.81, 2.56],
      [240.08, -22.62, 2.29],
      [247.35, -26.43, 1.06],
      [248.97, -28.22, 2.82],
      [252.54, -34.29, 2.29],
      [264.33, -43.0, 1.86],
      [266.9, -40.13, 2.99],
      [265.62, -39.03, 2.39],
      [263.4, -37.1, 1.62],
    ],
    lines: [...chain(0, 1, 2, 3, 4, 5, 6, 7, 8)],
  },
  // The southern cross and its two pointers.
  {
    stars: [
      [186.65, -63.1, 0.77],
      [187.79, -57.11, 1.59],
      [191.93, -59.69, 1.25],
      [183.79, -58.75, 2.79],
      [219.9, -60.83, -0.27],
      [210.96, -60.37, 0.61],
    ],
    lines: [
      [0, 1],
      [2, 3],
      [4, 5],
    ],
  },
  // The keystone of Hercules.
  {
    stars: [
      [250.32, 31.6, 2.81],
      [250.72, 38.92, 3.48],
      [258.76, 36.81, 3.16],
      [255.07, 30.93, 3.92],
    ],
    lines: chain(0, 1, 2, 3, 0),
  },
  // The Herdsman, a kite.
  {
    stars: [
      [213.92, 19.18, -0.05],
      [221.25, 27.07, 2.35],
      [217.96, 30.37, 3.57],
      [218.02, 38.31, 3.04],
      [225.49, 40.39, 3.49],
    ],
    lines: [...chain(0, 2, 3, 4, 1, 0)],
  },
  // The Eagle.
  {
    stars: [
      [297.7, 8.87, 0.76],
      [296.56, 10.61, 2.72],
      [298.83, 6.41, 3.71],
    ],
    lines: chain(1, 0, 2),
  },
  // The Dolphin.
  {
    stars: [
      [309.91, 15.91, 3.77],
      [309.39, 14.6, 3.64],
      [311.66, 16.12, 4.27],
      [310.86, 15.07, 4.43],
      [308.3, 11.3, 4.03],
    ],
    lines: chain(4, 1, 0, 2, 3, 1),
  },
  // The Ram.
  {
    stars: [
      [31.79, 23.46, 2.01],
      [28.66, 20.81, 2.64],
      [28.38, 19.29, 3.88],
    ],
    lines: chain(0, 1, 2),
  },
  // Perseus.
  {
    stars: [
      [51.08, 49.86, 1.79],
      [46.2, 53.51, 2.91],
      [42.67, 55.9, 3.77],
      [47.04, 40.96, 2.09],
    ],
    lines: [...chain(2, 1, 0, 3)],
  },
  // The Great Dog.
  {
    stars: [
      [101.29, -16.72, -1.44],
      [95.67, -17.96, 1.98],
      [107.1, -26.39, 1.83],
      [104.66, -28.97, 1.5],
      [111.02, -29.3, 2.45],
    ],
    lines: [...chain(1, 0, 2, 3), [2, 4]],
  },
  // The keel and the sail.
  {
    stars: [
      [95.99, -52.7, -0.62],
      [138.3, -69.72, 1.67],
      [154.27, -61.33, 3.39],
      [160.74, -64.39, 2.74],
      [125.63, -59.51, 1.86],
      [131.18, -54.71, 1.93],
      [137.0, -43.43, 2.23],
      [140.53, -55.01, 2.47],
      [122.38, -47.34, 1.75],
    ],
    lines: [...chain(5, 7, 6, 8, 5), ...chain(4, 1, 3, 2)],
  },
  // Lone bright ones, and faint ones that the words name.
  {
    stars: [
      [24.43, -57.24, 0.45],
      [44.57, -40.3, 2.88],
      [6.44, -77.25, 2.82],
      [334.63, -60.26, 2.87],
      [233.67, 26.71, 2.22],
      [194.01, 38.32, 2.89],
      [304.51, -12.54, 3.58],
      [305.25, -14.78, 3.05],
      [236.07, 6.43, 2.63],
      [130.82, 21.47, 4.66],
      [131.17, 18.15, 3.94],
      [278.8, -8.24, 3.85],
      [277.3, -14.57, 4.67],
      [201.3, -11.16, 0.98],
      [114.83, 5.23, 0.4],
      [37.95, 89.26, 1.98],
    ],
    lines: [
      [6, 7],
      [9, 10],
      [11, 12],
    ],
  },
]

const placed = ([raJ2000Deg, decJ2000Deg, magnitude]: Listed): PatternStar => ({ raJ2000Deg, decJ2000Deg, magnitude })

export const patternStars: readonly PatternStar[] = patterns.flatMap(({ stars }) => stars.map(placed))

/** Lines as pairs of stars. */
export const patternLines: readonly (readonly [PatternStar, PatternStar])[] = patterns.flatMap(({ stars, lines }) =>
  lines.flatMap(([from, to]) => {
    const [a, b] = [stars[from], stars[to]]
    return a && b ? [[placed(a), placed(b)] as const] : []
  }),
)
