import { kitSuits } from './kit-suits.ts'

describe('whether a kit suits somebody', () => {
  const of = (family: Parameters<typeof kitSuits>[0]['family'], massKg = 4) => ({ family, massKg })
  it.each([
    ['nothing is known of them', of('large-equatorial', 30), {}, true, []],
    ['a first telescope', of('tabletop-reflector'), { level: 'first' }, true, []],
    [
      'a first telescope on an equatorial head',
      of('equatorial-reflector'),
      { level: 'first' },
      false,
      ['asks for some practice'],
    ],
    ['some practice with a large one', of('large-equatorial'), { level: 'some' }, false, ['asks for much practice']],
    ['an expert with a large one', of('large-equatorial'), { level: 'expert' }, true, []],
    ['carried on foot', of('tabletop-reflector', 6.4), { carries: 'on-foot' }, false, ['6 kg is much to carry']],
    ['carried by car', of('tabletop-reflector', 6.4), { carries: 'car' }, true, []],
    ['as much as goes by bus', of('tabletop-reflector', 10), { carries: 'bus' }, true, []],
    ['more than goes by bus', of('tabletop-reflector', 11), { carries: 'bus' }, false, ['11 kg is much to carry']],
    ['as much as goes by car', of('tabletop-reflector', 25), { carries: 'car' }, true, []],
    ['more than goes by car', of('tabletop-reflector', 26), { carries: 'car' }, false, ['26 kg is much to carry']],
    ['a child at a tabletop', of('tabletop-reflector'), { age: 'child' }, true, []],
    [
      'a child at one that stands on the floor',
      of('floor-reflector'),
      { age: 'child' },
      false,
      ['a child needs a step'],
    ],
    ['a child at an equatorial', of('equatorial-reflector'), { age: 'child' }, false, ['asks for grown-up hands']],
    ['a family', of('floor-reflector'), { age: 'family' }, true, []],
    ['seated', of('floor-reflector'), { seated: true }, false, ['one stands at it']],
  ] as const)('%s', (_words, kit, can, suits, reasons) => {
    expect(kitSuits(kit, can)).toEqual({ suits, reasons })
  })
  it('says every reason that there is', () => {
    expect(kitSuits(of('large-equatorial', 31), { level: 'first', carries: 'bus', age: 'child' }).reasons).toEqual([
      'asks for some practice',
      '31 kg is much to carry',
      'asks for grown-up hands',
    ])
  })
})
