import presetMini from '@unocss/preset-mini'
import { variantParentMatcher } from '@unocss/preset-mini/utils'
import { defineConfig, type Preset } from '@unocss/vite'

/** The tokens of `theme/tokens.css` that layouts and drawings name. */
const tokens = [
  ...[
    'paper',
    'card',
    'well',
    'ink',
    'quiet',
    'rule',
    'rule-strong',
    'night',
    'deep',
    'lit',
    'crescent',
    'pale',
    'star',
  ],
  ...['brass', 'brass-text', 'rust', 'rust-on-deep', 'rust-pale', 'moss', 'wash', 'graphite', 'on-night', 'on-fill'],
]
const colors: Record<string, string> = Object.fromEntries(tokens.map((name) => [name, `var(--${name})`]))
colors.transparent = 'transparent'
const sides: Record<string, string> = { t: 'border-top', r: 'border-right', b: 'border-bottom', l: 'border-left' }

const line = (property: string, width = '1', style = 'solid', color = '') =>
  color === 'none'
    ? { [property]: '0' }
    : color in colors
      ? { [property]: `${width}px ${style} ${colors[color]}` }
      : undefined

/** Before all others, so that whatever says less than all of a border or a font comes after it. */
const ours: Preset = {
  name: 'lines and words',
  variants: [
    // A finger instead of a pointer: `coarse:min-h-40px`.
    variantParentMatcher('coarse', '@media (pointer: coarse)'),
    // A narrow screen: `max-[900px]:hidden`. The narrower comes later, and wins.
    (matcher) => {
      const [prefix, width] = /^max-\[(\d+)px\]:/.exec(matcher) ?? []
      if (prefix === undefined) return undefined
      return {
        matcher: matcher.slice(prefix.length),
        handle: (input, next) =>
          next({ ...input, parent: `@media (max-width: ${width}px)`, parentOrder: 10_000 - Number(width) }),
      }
    },
  ],
  rules: [
    ['break-anywhere', { 'overflow-wrap': 'anywhere' }],
    ['list-none', { 'list-style': 'none' }],
    ['bg-none', { background: 'none' }],
    ['font-inherit', { font: 'inherit' }],
    // `line-rule`: one pixel of a token's colour around it; `line-2-ink`, `line-dashed-rule`, `line-none`; `line-b-rule` under it.
    [
      /^line-(?:([\d.]+)-)?(?:(dashed)-)?([a-z]{2}[a-z-]+)$/,
      ([, width, style, color]) => line('border', width, style, color),
    ],
    [
      /^line-([trbl])-(?:([\d.]+)-)?(?:(dashed)-)?([a-z-]+)$/,
      ([, side = '', width, style, color]) => line(sides[side] ?? '', width, style, color),
    ],
  ],
}

/**
 * Layout said where it is laid out: `flex gap-14px items-center mb-12px` on the element itself. What has states, or parts that are
 * styled together, stays in the component's own styles, which come later and win.
 */
export default defineConfig({
  presets: [ours, presetMini({ preflight: false })],
  theme: { colors },
  // As strong as a component's own single class, and before it.
  postprocess: (utility) => void (utility.selector = `:root ${utility.selector}`),
  // Drawings' own names for their parts.
  blocklist: ['ring', 'outline', 'shadow'],
  content: { pipeline: { include: [/src\/(?!borrower\/).*\.vue$/] } },
})
