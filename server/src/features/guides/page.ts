import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import type { IssuedGuide } from '@binoculum/contract'
import { guideLanguages, translator } from '@binoculum/core'
import { LRUCache } from 'lru-cache'
import { builtPage, htmlPage, languageAsked, type Built } from './built-page.ts'

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
    const built = await (this.built ??= builtPage(this.webFolder, ENTRY))
    if (!built) return null
    const startLanguage = languageAsked(language, guide.language)
    const props = { guide, token, startLanguage }
    return htmlPage(built, {
      id: 'guide',
      language: startLanguage,
      title: `${guide.kitName} · ${translator(startLanguage).text('guide')}`,
      body: (await built.renders.renderGuide?.(props)) ?? '',
      state: { ...props, assets: built.assets },
      head: `<link rel="manifest" href="/g/${encodeURIComponent(token)}/manifest.webmanifest">`,
    })
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
}
