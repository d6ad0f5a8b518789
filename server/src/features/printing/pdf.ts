import { once } from 'node:events'
import type { Fill, PageItem, PrintedPage } from '@binoculum/core'
import PDFDocument from 'pdfkit'
import { facesOf, runsOf, runWidth } from './fonts.ts'

const POINTS_PER_MM = 72 / 25.4
const colours: Readonly<Record<Exclude<Fill, 'none'>, string>> = { black: '#000', grey: '#f0f0f0', white: '#fff' }
const fonts = ['serif', 'serif-italic', 'sans', 'sans-bold'] as const

/** Pages as one PDF file, black and white, fonts inside. */
export async function pdfOf(pages: readonly PrintedPage[], title: string): Promise<Buffer> {
  const document = new PDFDocument({
    autoFirstPage: false,
    info: { Title: title, Producer: 'Binoculum', Creator: 'Binoculum' },
  })
  const chunks: Buffer[] = []
  document.on('data', (chunk: Buffer) => chunks.push(chunk))
  for (const font of fonts) for (const { name, bytes } of facesOf(font)) document.registerFont(name, bytes)
  for (const page of pages) {
    const size: [number, number] = [page.widthMm * POINTS_PER_MM, page.heightMm * POINTS_PER_MM]
    document.addPage({ size, margin: 0 })
    document.scale(POINTS_PER_MM)
    for (const item of page.items) draw(document, item)
  }
  const end = once(document, 'end')
  document.end()
  await end
  return Buffer.concat(chunks)
}

function draw(document: PDFKit.PDFDocument, item: PageItem): void {
  switch (item.kind) {
    case 'text':
      return drawText(document, item)
    case 'line':
      document.moveTo(item.x1, item.y1).lineTo(item.x2, item.y2).lineWidth(item.strokeMm).stroke('#000')
      return
    case 'rect':
      if (item.radius > 0) document.roundedRect(item.x, item.y, item.width, item.height, item.radius)
      else document.rect(item.x, item.y, item.width, item.height)
      return paint(document, item.fill, item.strokeMm)
    case 'circle':
      document.circle(item.x, item.y, item.r)
      return paint(document, item.fill, item.strokeMm)
    case 'path':
      document.save().translate(item.x, item.y).scale(item.scaleX, item.scaleY, {}).path(item.d)
      paint(document, item.fill, item.strokeMm / item.scaleX)
      document.restore()
  }
}

function paint(document: PDFKit.PDFDocument, fill: Fill, stroke: number): void {
  if (stroke > 0) document.lineWidth(stroke)
  if (fill === 'none') document.stroke('#000')
  else if (stroke > 0) document.fillAndStroke(colours[fill], '#000')
  else document.fill(colours[fill])
}

function drawText(document: PDFKit.PDFDocument, item: Extract<PageItem, { kind: 'text' }>): void {
  const runs = runsOf(item.text, item.font)
  const width = runs.reduce((sum, run) => sum + runWidth(run, item.sizeMm), 0)
  let x = item.x - (item.anchor === 'start' ? 0 : item.anchor === 'middle' ? width / 2 : width)
  for (const run of runs) {
    document
      .font(run.face.name)
      .fontSize(item.sizeMm)
      .fillColor('#000')
      .text(run.text, x, item.y, { baseline: 'alphabetic', lineBreak: false })
    x += runWidth(run, item.sizeMm)
  }
}
