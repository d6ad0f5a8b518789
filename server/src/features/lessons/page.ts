import { translator, type Lesson } from '@binoculum/core'
import { builtPage, htmlPage, languageAsked, type Built } from '../guides/service.ts'

const ENTRY = 'src/borrower/lesson/entry-client.ts'

/** The lesson as it is served. */
export class LessonPages {
  private built: Promise<Built | null> | null = null

  constructor(private readonly webFolder: string) {}

  /** @returns null where the screens weren't built */
  async page(lesson: Lesson, token: string, language: string | undefined): Promise<string | null> {
    const built = await (this.built ??= builtPage(this.webFolder, ENTRY))
    if (!built) return null
    const startLanguage = languageAsked(language, lesson.language)
    const props = { lesson, token, startLanguage }
    return htmlPage(built, {
      id: 'lesson',
      language: startLanguage,
      title: `${lesson.kitName} · ${translator(startLanguage).text('Three minutes before you fetch it')}`,
      body: (await built.renders.renderLesson?.(props)) ?? '',
      state: props,
    })
  }
}

/** For borrowers, not for programs. */
export const LESSON_OVER_PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow"><title>This lesson is over</title></head>
<body><main><h1>This lesson is over</h1>
<p role="alert">The kit has been fetched, or this link was replaced by another. Once you have the kit, its guide says everything; the link is on your loan slip.</p>
<p lang="es">El equipo ya se ha recogido, o hay otro enlace. Cuando lo tengas, su guía lo dice todo; el enlace está en tu hoja de préstamo.</p>
</main></body></html>
`
