import { families } from '@binoculum/core'
import { create } from 'xmlbuilder2'
import type { CataloguedModel } from './queries.ts'

const NAMESPACE = 'http://www.loc.gov/MARC21/slim'
/** New record of a three-dimensional object as published, Unicode, full level, without ISBD's punctuation
 * [MARC 21 bibliographic, leader]. */
const LEADER = '00000nrm a2200000 c 4500'

type Subfields = readonly (readonly [code: string, text: string])[]
type Field = readonly [tag: string, indicators: string, subfields: Subfields]

/**
 * A branch's models as a library's catalogue takes them: one bibliographic record per model, one holdings field (852) per kit.
 * Tags and codes are those of MARC 21 for bibliographic data, the file that of MARCXML.
 */
export function catalogueAsMarcxml(models: readonly CataloguedModel[], branchName: string, at: Date): string {
  const document = create({ version: '1.0', encoding: 'UTF-8', invalidCharReplacement: ' ' })
  const collection = document.ele(NAMESPACE, 'collection')
  for (const model of models) {
    const record = collection.ele('record')
    record.ele('leader').txt(LEADER)
    for (const [tag, text] of controlFields(model, at)) record.ele('controlfield', { tag }).txt(text)
    for (const [tag, indicators, subfields] of dataFields(model, branchName)) {
      const field = record.ele('datafield', { tag, ind1: indicators[0] ?? ' ', ind2: indicators[1] ?? ' ' })
      for (const [code, text] of subfields) field.ele('subfield', { code }).txt(text)
    }
  }
  return document.end({ prettyPrint: true })
}

function controlFields({ id }: CataloguedModel, at: Date): (readonly [string, string])[] {
  const digits = at.toISOString().replaceAll(/\D/g, '')
  return [
    ['001', id],
    ['005', `${digits.slice(0, 14)}.0`],
    // Visual materials: dates unknown, place unknown, no running time, realia (33), no language.
    ['008', `${digits.slice(2, 8)}nuuuuuuuuxx nnn${' '.repeat(12)}rnzxx d`],
  ]
}

function dataFields(
  { name, family, apertureMm, focalLengthMm, parts, kits }: CataloguedModel,
  branchName: string,
): Field[] {
  const pieces = parts.reduce((sum, { count }) => sum + count, 0)
  const listed = parts.map((part) => (part.count === 1 ? part.name : `${part.count} ${part.name}`)).join(' ; ')
  return [
    ['245', '00', [['a', name]]],
    [
      '300',
      '  ',
      [
        ['a', pieces === 0 ? '1 telescope kit' : `1 telescope kit (${pieces} pieces)`],
        ['b', `${apertureMm} mm aperture, ${focalLengthMm} mm focal length`],
      ],
    ],
    [
      '336',
      '  ',
      [
        ['a', 'three-dimensional form'],
        ['b', 'tdf'],
        ['2', 'rdacontent'],
      ],
    ],
    [
      '337',
      '  ',
      [
        ['a', 'unmediated'],
        ['b', 'n'],
        ['2', 'rdamedia'],
      ],
    ],
    [
      '338',
      '  ',
      [
        ['a', 'object'],
        ['b', 'nr'],
        ['2', 'rdacarrier'],
      ],
    ],
    ['500', '  ', [['a', families[family]]]],
    ...(listed === '' ? [] : [['505', '0 ', [['a', listed]]] as Field]),
    ['650', ' 4', [['a', 'Telescopes']]],
    ...kits.map((kit): Field => [
      '852',
      '  ',
      [
        ['b', branchName],
        ['p', kit.code],
        ['z', kit.name],
      ],
    ]),
  ]
}
