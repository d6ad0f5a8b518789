import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import type { IssuedGuide } from '@binoculum/contract'
import { guideLanguages, translator } from '@binoculum/core'
import { LRUCache } from 'lru-cache'
import { z } from 'zod'

/** The borrower's page as the server sends it: all words in it, so that it reads before scripts and fonts come. */

const manifestSchema = z.record(
  z.string(),
  z.object({
    file: z.string(),
    css: z.array(z.string()).default([]),
    imports: z.array(z.string()).default([]),
    dynamicImports: z.array(z.string()).default([]),
    assets: z.array(z.string()).default([]),
  }),
)

type Render = (props: { guide: IssuedGuide; token: string; startLanguage: string }) => Promise<string>

interface Built {
  readonly render: Render
  readonly script: string
  readonly styles: readonly string[]
  /** Everything that the page needs without a network. */
  readonly assets: readonly string[]
}

const ENTRY = 'src/borrower/entry-client.ts'

/** Rendered pages that are kept: an issued guide never changes, and rendering one takes the time of a hundred answers. */
const KEPT_BYTES = 32_000_000

/** Finds what was built; null where the screens weren't. */
export class GuidePages {
  private built: Promise<Built | null> | null = null
  private readonly kept = new LRUCache<string, Buffer>({
    maxSize: KEPT_BYTES,
    sizeCalculation: ({ length }) => length,
  })

  constructor(private readonly webFolder: string) {}

  /** The page as it travels, compressed; rendered for the first who asks. @param load gives the guide where it has to be */
  async compressed(
    guideId: string,
    { token, language }: { readonly token: string; readonly language: string | undefined },
    load: () => Promise<IssuedGuide>,
  ): Promise<Buffer | null> {
    const known = guideLanguages.find(({ code }) => code === language)?.code ?? ''
    // A renewed link has a token of its own, and the page speaks to it.
    const key = [guideId, token, known].join(' ')
    const kept = this.kept.get(key)
    if (kept) return kept
    const page = await this.page(await load(), token, language)
    if (page === null) return null
    const bytes = await promisify(gzip)(page)
    this.kept.set(key, bytes)
    return bytes
  }

  /** @param language asked for by the address; unknown ones fall to the guide's own */
  async page(guide: IssuedGuide, token: string, language: string | undefined): Promise<string | null> {
    const built = await (this.built ??= this.load())
    if (!built) return null
    const startLanguage = guideLanguages.find(({ code }) => code === language)?.code ?? guide.language
    const body = await built.render({ guide, token, startLanguage })
    const state = { guide, token, startLanguage, assets: built.assets }
    const title = escape(`${guide.kitName} · ${translator(startLanguage).text('guide')}`)
    const base = `/g/${encodeURIComponent(token)}`
    return `<!doctype html>
<html lang="${startLanguage}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow">
<meta name="referrer" content="no-referrer">
<title>${title}</title>
${built.styles.map((href) => `<link rel="stylesheet" href="${href}">`).join('\n')}
<link rel="icon" href="/guide-icon.svg" type="image/svg+xml">
<link rel="manifest" href="${base}/manifest.webmanifest">
</head>
<body>
<div id="guide">${body}</div>
<script type="application/json" id="guide-state">${JSON.stringify(state).replaceAll('<', '\\u003c')}</script>
<script type="module" src="${built.script}"></script>
</body>
</html>
`
  }

  /** For putting the guide on a phone's first screen. */
  manifest(guide: IssuedGuide, token: string): object {
    const base = `/g/${encodeURIComponent(token)}`
    return {
      id: base,
      name: `${guide.kitName}, ${guide.branchName}`,
      short_name: guide.kitName,
      start_url: base,
      scope: base,
      display: 'standalone',
      background_color: '#f7f4ec',
      theme_color: '#f7f4ec',
      icons: [{ src: '/guide-icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
    }
  }

  /** Files of the page that live outside the folder of built assets. */
  file(name: 'guide-worker.js' | 'guide-icon.svg'): Buffer | null {
    const path = join(this.webFolder, name)
    return existsSync(path) ? readFileSync(path) : null
  }

  private async load(): Promise<Built | null> {
    const manifestPath = join(this.webFolder, '.vite', 'manifest.json')
    const serverEntry = join(this.webFolder, '..', 'dist-server', 'entry-server.js')
    if (!existsSync(manifestPath) || !existsSync(serverEntry)) return null
    const manifest = manifestSchema.parse(JSON.parse(readFileSync(manifestPath, 'utf8')))
    const { renderGuide } = (await import(pathToFileURL(serverEntry).href)) as { renderGuide: Render }
    const [first, later] = [needed(manifest, [ENTRY], false), needed(manifest, [ENTRY], true)]
    const styles = first.flatMap((key) => manifest[key]?.css ?? []).map((file) => `/${file}`)
    const all = later.flatMap((key) => {
      const chunk = manifest[key]
      return chunk ? [chunk.file, ...chunk.css, ...chunk.assets] : []
    })
    return {
      render: renderGuide,
      script: `/${manifest[ENTRY]?.file ?? ''}`,
      styles: [...new Set(styles)],
      assets: [...new Set(all)].map((file) => `/${file}`),
    }
  }
}

/** Chunks that one needs, with those that come later where wanted. */
function needed(manifest: z.infer<typeof manifestSchema>, keys: readonly string[], lazy: boolean): readonly string[] {
  const seen = new Set<string>()
  const walk = (key: string) => {
    const chunk = manifest[key]
    if (!chunk || seen.has(key)) return
    seen.add(key)
    chunk.imports.forEach(walk)
    if (lazy) chunk.dynamicImports.forEach(walk)
  }
  keys.forEach(walk)
  return [...seen]
}

const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
