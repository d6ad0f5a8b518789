import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { guideLanguages } from '@binoculum/core'
import { z } from 'zod'

/** A borrower's page as the server sends it: all words in it, so that it reads before scripts and fonts come. */

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

export interface Built {
  /** What the server renders pages by, by its name. */
  readonly renders: Readonly<Record<string, (props: object) => Promise<string>>>
  readonly script: string
  readonly styles: readonly string[]
  /** Everything that the page needs without a network. */
  readonly assets: readonly string[]
}

/** Finds what was built of one page; null where the screens weren't.
 * @param entry the page's own script, such as `src/borrower/entry-client.ts` */
export async function builtPage(webFolder: string, entry: string): Promise<Built | null> {
  const manifestPath = join(webFolder, '.vite', 'manifest.json')
  const serverEntry = join(webFolder, '..', 'dist-server', 'entry-server.js')
  if (!existsSync(manifestPath) || !existsSync(serverEntry)) return null
  const manifest = manifestSchema.parse(JSON.parse(readFileSync(manifestPath, 'utf8')))
  const renders = (await import(pathToFileURL(serverEntry).href)) as Built['renders']
  const [first, later] = [needed(manifest, [entry], false), needed(manifest, [entry], true)]
  const styles = first.flatMap((key) => manifest[key]?.css ?? []).map((file) => `/${file}`)
  const all = later.flatMap((key) => {
    const chunk = manifest[key]
    return chunk ? [chunk.file, ...chunk.css, ...chunk.assets] : []
  })
  return {
    renders,
    script: `/${manifest[entry]?.file ?? ''}`,
    styles: [...new Set(styles)],
    assets: [...new Set(all)].map((file) => `/${file}`),
  }
}

/** The language asked for by an address; unknown ones fall to the page's own. */
export const languageAsked = (asked: string | undefined, own: string): string =>
  guideLanguages.find(({ code }) => code === asked)?.code ?? own

/** @param page `id` of the element it lives in; what the server put beside it stands in `<id>-state` */
export function htmlPage(
  { script, styles }: Pick<Built, 'script' | 'styles'>,
  page: {
    readonly id: string
    readonly language: string
    readonly title: string
    readonly body: string
    readonly state: object
    readonly head?: string
  },
): string {
  const { id, language, title, body, state, head = '' } = page
  return `<!doctype html>
<html lang="${language}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow">
<meta name="referrer" content="no-referrer">
<title>${escape(title)}</title>
${styles.map((href) => `<link rel="stylesheet" href="${href}">`).join('\n')}
<link rel="icon" href="/guide-icon.svg" type="image/svg+xml">
${head}
</head>
<body>
<div id="${id}">${body}</div>
<script type="application/json" id="${id}-state">${JSON.stringify(state).replaceAll('<', '\\u003c')}</script>
<script type="module" src="${script}"></script>
</body>
</html>
`
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
