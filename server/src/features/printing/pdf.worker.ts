import { parentPort, workerData } from 'node:worker_threads'
import type { PrintedPage } from '@binoculum/core'
import { pdfOf } from './pdf.ts'

export interface PdfWork {
  readonly pages: readonly PrintedPage[]
  readonly title: string
}

const { pages, title } = workerData as PdfWork
parentPort?.postMessage({ ok: true, value: new Uint8Array(await pdfOf(pages, title)) })
