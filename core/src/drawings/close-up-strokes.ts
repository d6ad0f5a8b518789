export type Stroke = readonly [look: string, d: string]
export const rect = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}Z`
export const disc = (x: number, y: number, r: number, ry = r) =>
  `M${x - r} ${y}a${r} ${ry} 0 1 0 ${2 * r} 0a${r} ${ry} 0 1 0 ${-2 * r} 0Z`

/** Slanted lines across a box, for what is cut. */
export function hatch(x: number, y: number, w: number, h: number): string {
  const step = 5
  const lines: string[] = []
  for (let from = x - h + step; from < x + w; from += step) {
    const [x1, x2] = [Math.max(from, x), Math.min(from + h, x + w)]
    if (x2 > x1) lines.push(`M${x1} ${y + h - (x1 - from)}L${x2} ${y + h - (x2 - from)}`)
  }
  return lines.join('')
}

export const cut = (x: number, y: number, w: number, h: number): readonly Stroke[] => [
  ['outline', rect(x, y, w, h)],
  ['hatch', hatch(x, y, w, h)],
]

const knurl = (x: number, y: number, w: number, h: number): readonly Stroke[] => [
  ['fill', rect(x, y, w, h)],
  [
    'fill-inner',
    Array.from({ length: Math.floor(w / 4) - 1 }, (_each, index) => `M${x + 4 * (index + 1)} ${y + 2}v${h - 4}`).join(
      '',
    ),
  ],
]

/** Tightening: right to left in front of a knob that points up. */
export const tighten = (x: number, y: number, r = 13): readonly Stroke[] => [
  ['move', `M${x + r} ${y}a${r} ${r * 0.35} 0 0 1 ${-2 * r} 3`],
  ['move-head', `M${x - r - 4} ${y - 1}l9 0l-5 8Z`],
]

export const arrow = (x1: number, y1: number, x2: number, y2: number): readonly Stroke[] => {
  const length = Math.hypot(x2 - x1, y2 - y1)
  const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length]
  const [bx, by] = [x2 - 9 * ux, y2 - 9 * uy]
  return [
    ['move', `M${x1} ${y1}L${bx} ${by}`],
    ['move-head', `M${x2} ${y2}L${bx - 5 * uy} ${by + 5 * ux}L${bx + 5 * uy} ${by - 5 * ux}Z`],
  ]
}

export const axis = (x1: number, y1: number, x2: number, y2: number): Stroke => ['axis', `M${x1} ${y1}L${x2} ${y2}`]
export const tick = (x: number, y: number): Stroke => ['so', `M${x} ${y}l4 5l7 -12`]
export const notSo = (x: number, y: number): Stroke => ['not-so', `M${x} ${y}l8 -16`]
const legsBelow: Stroke = ['outline', 'M-50 -14L-30 -6M-50 -6L-32 2M50 -14L30 -6M50 -6L32 2M-5 22v28M5 22v28']

/** Screws about a finder in its ring, by their directions on the page, each pointing at the middle. */
const ringOfScrews = (degs: readonly number[], [cx, cy]: readonly [number, number], r: number): readonly Stroke[] =>
  degs.flatMap((deg): readonly Stroke[] => {
    const [ux, uy] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
    const at = (along: number, across: number) =>
      `${(cx + along * ux - across * uy).toFixed(1)} ${(cy + along * uy + across * ux).toFixed(1)}`
    return [
      ['outline', `M${at(r * 0.5, -2.4)}L${at(r + 6, -2.4)}L${at(r + 6, 2.4)}L${at(r * 0.5, 2.4)}Z`],
      ['fill', `M${at(r + 6, -6)}L${at(r + 15, -6)}L${at(r + 15, 6)}L${at(r + 6, 6)}Z`],
    ]
  })
const finderInRing = (degs: readonly number[]): readonly Stroke[] => [
  ['outline', disc(0, 2, 27)],
  ['open', disc(0, 2, 22)],
  ['outline', disc(0, 2, 13)],
  ['inner', 'M-13 2h26M0 -11v26'],
  ...ringOfScrews(degs, [0, 2], 24),
]

/** Joints enlarged in a circle: sections and views in their own small frame, 0 in the middle, 50 to the edge. The part in
 * question is filled, cut metal hatched, turning arrows seen from slightly above: tightening runs right to left in front. */
export const closeUps = [
  'tray',
  'head-bolt',
  'latitude',
  'rod-flat',
  'slug',
  'ring-clamp',
  'pull-tab',
  'caps',
  'eyepiece',
  'rods-locked',
  'rocker-bolt',
  'bubble',
  'dovetail',
  'spring-pin',
  'diagonal',
  'backed-off',
  'cell',
  'collimation-cap',
  'tray-screwed',
  'tray-bolted',
  'tray-brace',
  'three-screws',
  'four-screws',
  'six-screws',
  'peep',
  'big-knob',
  'cone',
  'axis-lock',
  'strap',
  'ears',
  'caps-closed',
] as const
export type CloseUp = (typeof closeUps)[number]
export const strokes: Readonly<Record<Exclude<CloseUp, 'latitude'>, readonly Stroke[]>> = {
  // A threaded rod through the middle; the tray is spun down until it presses.
  'tray-screwed': [
    legsBelow,
    ['fill', disc(0, 6, 37, 18)],
    ['fill-inner', disc(0, 4, 33, 15)],
    ['outline', rect(-4, -34, 8, 38)],
    ['inner', 'M-4 -30h8M-4 -25h8M-4 -20h8M-4 -15h8M-4 -10h8M-4 -5h8'],
    ['move', 'M30 -20a32 12 0 0 1 -60 3'],
    ['move-head', 'M-34 -22l9 3l-6 7Z'],
    ...arrow(18, -44, 18, -16),
  ],
  // A plate on three brackets, a wing nut on each bolt.
  'tray-bolted': [
    ['outline', 'M-50 20L-34 10M-50 28L-32 18M50 20L34 10M50 28L32 18M-5 30v20M5 30v20'],
    ['fill', 'M-40 12L0 -10L40 12L0 30Z'],
    ['fill-inner', 'M-33 12L0 -6L33 12L0 26Z'],
    ...[
      [-28, 11],
      [28, 11],
      [0, 24],
    ].flatMap(([x = 0, y = 0]): Stroke[] => [
      ['outline', rect(x - 2, y - 16, 4, 14)],
      ['outline', disc(x, y - 4, 4.5, 3)],
      ['outline', `M${x - 3} ${y - 5}l-9 -6l3 8Z`],
      ['outline', `M${x + 3} ${y - 5}l9 -6l-3 8Z`],
    ]),
    ...tighten(0, -20, 15),
  ],
  // Three hinged arms; the middle goes down until they are straight.
  'tray-brace': [
    ['recede', 'M-46 -26L0 -8L46 -26M0 -8V-40'],
    ['fill', 'M-48 10L0 16L48 10L48 16L0 23L-48 16Z'],
    ['outline', disc(0, 18, 7, 5)],
    ['outline', disc(-46, 13, 4)],
    ['outline', disc(46, 13, 4)],
    ['outline', 'M-50 -6L-44 50M50 -6L44 50'],
    ...arrow(0, -30, 0, 6),
    tick(18, 38),
  ],
  'three-screws': finderInRing([-90, 30, 150]),
  'four-screws': finderInRing([-45, 45, 135, 225]),
  // Two rings one behind the other; the rear one is turned.
  'six-screws': [
    ['recede', disc(-14, -12, 24)],
    ['recede', 'M-38 -12L-28 2M10 -12L20 2'],
    ...ringOfScrews([-90, 30, 150], [6, 6], 22),
    ['outline', disc(6, 6, 25)],
    ['open', disc(6, 6, 20)],
    ['outline', disc(6, 6, 12)],
    ['inner', 'M-6 6h24M6 -6v24'],
  ],
  // A hole near the eye, a post in front; nothing to turn.
  peep: [
    ['outline', rect(-44, 20, 88, 8)],
    ['fill', 'M-40 20v-34h14v34Z'],
    ['open', disc(-33, -6, 4)],
    ['fill', 'M26 20v-22l4 -8l4 8v22Z'],
    axis(-50, -6, 50, -6),
    ['outline', 'M-50 40H50'],
  ],
  // One knob under the head does it all.
  'big-knob': [
    ['outline', 'M-18 -50L-22 -14H22L18 -50'],
    ['outline', rect(-26, -14, 52, 9)],
    ...cut(-34, -5, 68, 12),
    ['fill', rect(-5, -14, 10, 30)],
    ['fill-inner', 'M-5 -9h10M-5 -4h10M-5 1h10M-5 6h10M-5 11h10'],
    ...knurl(-26, 16, 52, 18),
    ...tighten(0, 42, 22),
    axis(0, -40, 0, 48),
  ],
  // The cone sinks in by itself; a safety screw from the side keeps it.
  cone: [
    ['fill', 'M-24 -50L-14 4H14L24 -50Z'],
    ...cut(-36, -16, 14, 34),
    ...cut(22, -16, 14, 34),
    ['outline', 'M-22 -16L-14 18H14L22 -16'],
    ['outline', rect(-36, 18, 72, 8)],
    ['fill', rect(16, -4, 22, 6)],
    ...knurl(38, -11, 12, 20),
    ...arrow(0, -34, 0, -6),
    ['move', 'M48 20a8 14 0 0 0 0 -30'],
    ['move-head', 'M42 -9l8 -5l2 9Z'],
  ],
  // Nothing slides: a lever or knob locks the axis, open and closed.
  'axis-lock': [
    ['outline', rect(-14, -50, 28, 100)],
    ['outline', disc(0, 0, 22)],
    ['fill', disc(0, 0, 14)],
    ['fill', 'M-4 -10L26 -34L34 -26L8 -2Z'],
    ['next', 'M-4 10L26 34L34 26L8 2Z'],
    ['move', 'M40 22a44 44 0 0 0 0 -42'],
    ['move-head', 'M35 -17l4 -9l6 8Z'],
    ['outline', disc(0, 0, 4)],
  ],
  // A flat band over the tube, its buckle screw beside it.
  strap: [
    ['recede', 'M-50 30A52 52 0 0 1 50 30'],
    ['felt', 'M-48 22A54 54 0 0 1 48 22'],
    ['outline', 'M-50 14A56 56 0 0 1 50 14'],
    ['outline', 'M-50 6A60 60 0 0 1 50 6'],
    ['outline', rect(24, 6, 16, 10)],
    ['outline', rect(24, 22, 16, 10)],
    ['fill', rect(29, -6, 6, 40)],
    ...knurl(22, -22, 20, 16),
    ...tighten(32, -28, 13),
  ],
  // Round discs on the tube lie in half-round cradles; nothing is screwed.
  ears: [
    ['outline', rect(-22, -50, 44, 44)],
    ['fill', disc(0, 0, 24)],
    ['fill-inner', disc(0, 0, 19)],
    ['outline', 'M-44 2h16a28 28 0 0 0 56 0h16v48h-88Z'],
    ['hatch', hatch(-44, 34, 88, 16)],
    ...arrow(0, -40, 0, -18),
  ],

  // Pin through the middle, three studs under their slots' narrow ends.
  tray: [
    ['outline', 'M-50 -14L-30 -6M-50 -6L-32 2M50 -14L30 -6M50 -6L32 2M-5 20v30M5 20v30'],
    ['fill', disc(0, 4, 37, 21)],
    ['fill-inner', disc(0, 2, 33, 18)],
    ...[
      [-18, -6],
      [20, -3],
      [-4, 15],
    ].flatMap(([x = 0, y = 0]): Stroke[] => [
      ['outline', `M${x - 6} ${y + 2}a4 2.6 0 0 1 6 -2l8 -2a1.6 1.2 0 0 1 1 3l-8 2a4 2.6 0 0 1 -7 -1Z`],
      ['outline', disc(x + 8, y - 1, 2.6, 1.8)],
    ]),
    ['outline', 'M-2.6 4v-11a2.6 1.5 0 0 1 5.2 0v11Z'],
    ...arrow(0, -44, 0, -16),
    ['move', 'M36 14a38 22 0 0 1 -22 13'],
    ['move-head', 'M8 28l9 -6l1 9Z'],
  ],
  // The bolt comes from below; the peg stands between its two screws on the pole side.
  'head-bolt': [
    ['outline', 'M-18 -50L-22 -14H22L18 -50'],
    ['outline', rect(-26, -14, 52, 9)],
    ...cut(-34, -5, 68, 12),
    ['outline', rect(26, -22, 17, 12)],
    ['outline', disc(34.5, -16, 4)],
    ['outline', 'M31.5 -13L37.5 -19'],
    ['fill', rect(-5, -14, 10, 34)],
    ['fill-inner', 'M-5 -9h10M-5 -4h10M-5 1h10M-5 6h10M-5 11h10'],
    ...knurl(-16, 20, 32, 11),
    ...tighten(0, 38, 16),
    axis(0, -40, 0, 46),
  ],
  // A gap to the housing, the screw on the flat; below, the shaft's end with its flat, and without.
  'rod-flat': [
    ...cut(-50, -40, 14, 50),
    ['outline', rect(-36, -19, 46, 12)],
    ['inner', 'M-14 -19v4h24'],
    ...cut(-20, -27, 54, 8),
    ...cut(-20, -7, 54, 8),
    ['outline', rect(34, -27, 8, 28)],
    ['fill', rect(-4, -34, 8, 19)],
    ...knurl(-8, -46, 16, 12),
    axis(-50, -13, 46, -13),
    ['move', 'M-36 6v8M-20 6v8'],
    ...arrow(-6, 10, 18, 10),
    ['outline', disc(-8, 32, 12)],
    ['outline', disc(-8, 32, 7)],
    ['fill', rect(-12, 15, 8, 12)],
    ['outline', disc(22, 32, 12)],
    ['recede', disc(22, 32, 7)],
    ['recede', rect(18, 15, 8, 10)],
    tick(-34, 34),
    notSo(19, 40),
  ],
  // The slug lies between screw and shaft, clear of the bore.
  slug: [
    ...cut(-25, -22, 50, 38),
    ['outline', rect(-8, -22, 16, 40)],
    ['outline', rect(-50, 16, 100, 18)],
    axis(-50, 25, 50, 25),
    ...cut(-25, 34, 50, 16),
    ['outline', rect(-5, -22, 10, 22)],
    ['inner', 'M-5 -17h10M-5 -12h10M-5 -7h10M-5 -2h10'],
    ['outline', rect(-15, -38, 30, 16)],
    ['inner', 'M-9 -36v12M-3 -36v12M3 -36v12M9 -36v12'],
    ['fill', rect(-6, 1, 12, 15)],
    ...tighten(0, -42, 18),
  ],
  // Hinge opposite, felt against the tube, swing bolt between the lugs.
  'ring-clamp': [
    ['recede', 'M-50 -40A58 58 0 0 1 -50 40'],
    ['outline', 'M-20 -50A62 62 0 0 1 -20 50'],
    ['felt', 'M-26 -50A60 60 0 0 1 -26 50'],
    ['outline', 'M-14 -50A68 68 0 0 1 -14 50'],
    ['outline', rect(10, -14, 18, 9)],
    ['outline', rect(10, 5, 18, 9)],
    ['fill', rect(16, -20, 6, 30)],
    ...knurl(10, -36, 18, 16),
    ['fill', disc(19, 10, 4)],
    ['next', 'M21 14L40 34M25 9L44 29'],
    ['move', 'M44 22a24 24 0 0 0 -10 -32'],
    ['move-head', 'M38 -14l-10 2l5 -9Z'],
  ],
  // The tab lies between contact and cell; the door stays screwed.
  'pull-tab': [
    ...cut(-20, -30, 70, 9),
    ['outline', 'M-20 -21H26L34 -14H50'],
    ['outline', 'M-16 -8q14 -8 30 -4'],
    ['outline', rect(-14, -6, 40, 9)],
    ['fill', rect(-46, -10, 44, 3)],
    ['outline', rect(-18, 3, 52, 5)],
    ...arrow(-14, 18, -44, 18),
    ['outline', disc(14, 34, 13)],
    ['outline', 'M14 28v6M11 31h6'],
    ['fill', rect(-34, 29, 44, 10)],
  ],
  // The large one, not only the little one in it; its hole is off the middle.
  caps: [
    ['outline', disc(-24, 0, 20, 34)],
    ['open', disc(-24, 0, 17, 30)],
    ['inner', 'M-37 -18L-11 18M-11 -18L-37 18'],
    ['outline', disc(-24, 0, 4)],
    ['fill', disc(20, 4, 20, 34)],
    ['fill-inner', disc(22, 4, 17, 30)],
    ['open', disc(14, 14, 6, 10)],
    ['fill', disc(38, 20, 5, 8)],
    ['fill-inner', disc(38, 20, 3.5, 6)],
    ...arrow(-14, -42, 14, -34),
    ...arrow(16, 34, 36, 40),
  ],
  // A lens or a corrector stands right behind the cap: no vanes, no small mirror on them.
  'caps-closed': [
    ['outline', disc(-24, 0, 20, 34)],
    ['open', disc(-24, 0, 17, 30)],
    ['inner', 'M-33 -18a17 30 0 0 0 -3 22M-29 -22a17 30 0 0 0 -2 8'],
    ['fill', disc(20, 4, 20, 34)],
    ['fill-inner', disc(22, 4, 17, 30)],
    ...arrow(-14, -42, 14, -34),
  ],
  // Shoulder on the rim, screw in the undercut.
  eyepiece: [
    ['outline', 'M-22 6h6v44M22 6h-6v44'],
    ...cut(-24, 6, 8, 44),
    ...cut(16, 6, 8, 44),
    ['fill', 'M-17 -46h34v8l-4 6v10h4v28h-34v-28h4v-10l-4 -6Z'],
    ['fill', rect(-15, 6, 30, 26)],
    ['fill-inner', 'M-11 -18v20M-5 -18v20M1 -18v20M7 -18v20M13 -18v20'],
    ['outline', rect(16, 16, 14, 6)],
    ['outline', rect(30, 11, 10, 16)],
    ...arrow(-36, -44, -36, -6),
    ['move', 'M46 28a5 12 0 0 0 0 -18'],
    ['move-head', 'M41 12l4 -8l5 6Z'],
    axis(0, -50, 0, 50),
  ],
  // The stop touches the collar, the lock screw stands on the rod.
  'rods-locked': [
    ['fill', rect(-46, -15, 84, 10)],
    ...cut(-26, -24, 26, 9),
    ...cut(-26, -5, 26, 9),
    ['outline', rect(28, -20, 8, 20)],
    ['outline', rect(-16, -30, 6, 15)],
    ...knurl(-21, -44, 16, 14),
    ...tighten(-13, -48, 14),
    ['outline', 'M-26 4V50M0 4V50M36 -10H50V50M36 0V50'],
    ...arrow(2, 26, 32, 26),
  ],
  // A hair's gap under the washer; the pads carry.
  'rocker-bolt': [
    ...cut(-50, -18, 100, 15),
    ...cut(-50, 4, 100, 15),
    ['outline', rect(-40, -3, 14, 7)],
    ['outline', rect(26, -3, 14, 7)],
    ['outline', rect(-12, -22, 24, 3)],
    ['fill', rect(-5, -19, 10, 50)],
    ['fill', rect(-11, -31, 22, 8)],
    ['outline', rect(-10, 22, 20, 4)],
    ['outline', rect(-8, 26, 16, 8)],
    ['move', 'M-24 -36a26 8 0 0 1 48 0'],
    ['move-head', 'M-28 -32l1 -9l8 5Z'],
    ['move-head', 'M28 -32l-1 -9l-8 5Z'],
  ],
  // The bubble runs to the high side; it belongs in the ring.
  bubble: [
    ['outline', disc(0, 0, 44)],
    ['fill', disc(0, 0, 37)],
    ['fill-inner', disc(0, 0, 13)],
    ['next-on-fill', disc(19, -19, 11)],
    ['bright', disc(0, 0, 10)],
    ...arrow(18, -18, 5, -5),
  ],
  // Wide side lowest, fixed jaw undercut on the left, one moving jaw with its screw.
  dovetail: [
    ['outline', 'M-42 -50A52 44 0 0 0 42 -50'],
    ['outline', 'M-10 -11h20l8 19h-36Z'],
    ['hatch', hatch(-14, -6, 28, 14)],
    ['outline', 'M-44 2h26l4 -10h-12v-6h-18Z'],
    ...cut(-44, 8, 84, 18),
    ['fill', 'M18 8l-6 -14h14v14Z'],
    ['fill', rect(26, -2, 12, 6)],
    ...knurl(38, -9, 11, 20),
    ['outline', 'M-14 26V50M14 26V50'],
    ['move', 'M47 20a7 14 0 0 0 0 -34'],
    ['move-head', 'M41 -13l8 -5l2 9Z'],
  ],
  // A spring pushes on the pin's collar; two screws make the other points.
  'spring-pin': [
    ['outline', disc(0, 6, 30)],
    ['open', disc(0, 6, 24)],
    ['outline', disc(0, 6, 14)],
    ['inner', 'M-14 6h28M0 -8v28'],
    ['outline', 'M-8 36L-14 50M8 36L14 50'],
    ...[-1, 1].map((side): Stroke => [
      'outline',
      `M${side * 12} 14l${side * 20} 12l${side * 2} -4l${side * -20} -12Z`,
    ]),
    ...[-1, 1].map((side): Stroke => ['outline', `M${side * 32} 22l${side * 10} 6l${side * -5} 9l${side * -10} -6Z`]),
    ['outline', rect(-9, -38, 18, 14)],
    ['inner', 'M-7 -36l14 3l-14 3l14 3l-14 3'],
    ['fill', rect(-3, -40, 6, 32)],
    ['fill', rect(-6, -26, 12, 3)],
    ...knurl(-7, -50, 14, 10),
    ...arrow(24, -20, 24, -46),
  ],
  // Light turned by a quarter for the sky; the one that turns it by an eighth is for land.
  diagonal: [
    ['recede', 'M0 -50V50'],
    ['fill', 'M-45 -1h13v20h-13ZM-32 -6h16l16 0l-22 28h-10Z'],
    ['fill', rect(-26, -34, 20, 28)],
    ['fill-inner', 'M-22 -32v22M-16 -32v22M-10 -32v22'],
    axis(-50, 9, -16, 9),
    axis(-16, 9, -16, -46),
    tick(-30, 40),
    ['outline', 'M5 3h9v16h-9Z'],
    ['outline', 'M14 1h8l11 -11l9 9l-13 13l-5 7h-10Z'],
    axis(2, 11, 23, 11),
    axis(23, 11, 43, -9),
    notSo(10, 42),
  ],
  // Backed off by a few threads, not out: at least three stay in the hole.
  'backed-off': [
    ...cut(-40, 0, 22, 18),
    ...cut(-10, 0, 20, 18),
    ...cut(18, 0, 22, 18),
    ['outline', rect(-50, 26, 100, 14)],
    axis(-50, 33, 50, 33),
    ['outline', rect(-18, -8, 8, 34)],
    ['inner', 'M-18 -3h8M-18 2h8M-18 7h8M-18 12h8M-18 17h8M-18 22h8'],
    ['outline', rect(-23, -18, 18, 10)],
    ['fill', rect(10, -24, 8, 34)],
    ['fill-inner', 'M10 -19h8M10 -14h8M10 -9h8M10 -4h8M10 1h8M10 6h8'],
    ...knurl(5, -36, 18, 12),
    // Loosening: left to right in front of a knob that points up.
    ['move', 'M-1 -40a15 5 0 0 0 30 1'],
    ['move-head', 'M33 -42l-9 -1l5 8Z'],
    tick(-30, -30),
  ],
  // From behind, focuser side up: A up, B right, C left, the locks between them.
  cell: [
    ['outline', disc(0, 0, 44)],
    ['inner', disc(0, 0, 39)],
    ['outline', 'M0 -34A34 34 0 0 1 29 17A34 34 0 0 1 -29 17A34 34 0 0 1 0 -34Z'],
    ['outline', disc(0, 0, 5)],
    ...[-90, 30, 150].map((deg): Stroke => {
      const [x, y] = [25 * Math.cos((deg * Math.PI) / 180), 25 * Math.sin((deg * Math.PI) / 180)]
      return ['fill', disc(x, y, 7)]
    }),
    ...[-30, 90, 210].map((deg): Stroke => {
      const [x, y] = [25 * Math.cos((deg * Math.PI) / 180), 25 * Math.sin((deg * Math.PI) / 180)]
      return ['outline', disc(x, y, 3.4)]
    }),
    ['move-head', 'M0 -50l5 6h-10Z'],
  ],
  // Hole exactly in its middle, its underside bright.
  'collimation-cap': [
    ...cut(-26, -6, 8, 56),
    ...cut(2, -6, 8, 56),
    ['outline', 'M-18 -6V50M2 -6V50'],
    ['fill', 'M-30 -14h18v4h-14v22h-4ZM-4 -14h18v26h-4v-22h-14Z'],
    axis(-8, -46, -8, 46),
    ['inner', 'M-18 -34q10 -9 20 0q-10 9 -20 0Z'],
    ['inner', disc(-8, -34, 2.6)],
    ['fill', disc(33, -16, 15)],
    ['bright', disc(33, -16, 1.8)],
    axis(14, -16, 50, -16),
  ],
}
