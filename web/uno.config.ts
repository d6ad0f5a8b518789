import presetMini from '@unocss/preset-mini'
import { defineConfig } from '@unocss/vite'

/** The tokens of `theme/tokens.css` that layouts and drawings name. */
const tokens = [
  ...['paper', 'card', 'well', 'ink', 'quiet', 'rule', 'rule-strong', 'night', 'deep', 'lit', 'crescent', 'pale', 'star'],
  ...['brass', 'brass-text', 'rust', 'rust-on-deep', 'rust-pale', 'moss', 'wash', 'graphite', 'on-night', 'on-fill'],
]
const colors = Object.fromEntries(tokens.map((name) => [name, `var(--${name})`]))
const sides = { t: '-top', r: '-right', b: '-bottom', l: '-left' } as const

/**
 * Layout said where it is laid out: `flex gap-14px items-center mb-12px` on the element itself. What has states, or parts that are
 * styled together, stays in the component's own styles, which come later and win.
 */
export default defineConfig({
  presets: [presetMini({ preflight: false })],
  theme: { colors },
  rules: [
    ['break-anywhere', { 'overflow-wrap': 'anywhere' }],
    ['list-none', { 'list-style': 'none' }],
    ['bg-none', { background: 'none' }],
    // `line-b-rule`: one pixel of a token's colour under it; `line-2-ink`, `line-dashed-rule`, `line-none`.
    [
      /^line-(?:([trbl])-)?(?:none|(?:([\d.]+)-)?(?:(dashed)-)?([a-z-]+))$/,
      ([, side, width = '1', style = 'solid', color]) => {
        const property = `border${side ? sides[side as keyof typeof sides] : ''}`
        if (color === undefined) return { [property]: '0' }
        return color in colors ? { [property]: `${width}px ${style} ${colors[color]}` } : undefined
      },
    ],
  ],
  // As strong as a component's own single class, and before it.
  postprocess: (utility) => void (utility.selector = `:root ${utility.selector}`),
  // A drawing's own name for a part.
  blocklist: ['ring'],
  content: { pipeline: { include: [/src\/(?!borrower\/).*\.vue$/] } },
})
