import type { PrintedPage } from '@binoculum/core'
import { answerEach } from '../../platform/worker-side.ts'
import { pdfOf } from './pdf.ts'

export interface PdfWork {
  readonly pages: readonly PrintedPage[]
  readonly title: string
}

answerEach(async ({ pages, title }: PdfWork) => ({ ok: true, value: new Uint8Array(await pdfOf(pages, title)) }))
