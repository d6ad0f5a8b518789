import { isEasyEnough, readingGrade, spanishSyllables } from './reading-grade.ts'

describe('English, Flesch–Kincaid', () => {
  it('a sentence of 14 words and 17 syllables, worked by hand from the published formula, is 4.2', () => {
    const text = 'It was a bright cold day in April, and the clocks were striking thirteen.'
    expect(readingGrade(text, 'en').grade).toBeCloseTo(0.39 * 14 + (11.8 * 17) / 14 - 15.59, 6)
    expect(readingGrade(text, 'en').grade).toBeCloseTo(4.2, 1)
  })
  it('the usual worked example, 11.3, comes out within two grades: the package gives -lian two syllables', () => {
    const text = 'The Australian platypus is seemingly a hybrid of a mammal and reptilian creature.'
    expect(Math.abs(readingGrade(text, 'en').grade - 11.3)).toBeLessThan(2)
  })
  it('grades six short words −1.4', () => {
    expect(readingGrade('The cat sat on the mat.', 'en')).toMatchObject({ sentences: 1, longest: 6 })
    expect(readingGrade('The cat sat on the mat.', 'en').grade).toBeCloseTo(-1.45, 2)
  })
  it('a line’s end ends a sentence; decimals and abbreviations inside a word don’t', () => {
    const { sentences, longest } = readingGrade('Turn it by 0.7 mm\nLook again! Is it better?', 'en')
    expect({ sentences, longest }).toEqual({ sentences: 3, longest: 5 })
  })
  it('the same words in longer sentences are harder', () => {
    const short = readingGrade('Open the clutch. Hold the tube. Let it go gently.', 'en')
    const long = readingGrade('Open the clutch hold the tube let it go gently.', 'en')
    expect(long.grade).toBeGreaterThan(short.grade)
    expect(isEasyEnough(short, 'en')).toBe(true)
  })
})

describe('Spanish, Szigriszt–Pazos', () => {
  // Syllables as the Ortografía divides them.
  it.each([
    ['sol', 1],
    ['luna', 2],
    ['cielo', 2],
    ['aéreo', 4],
    ['poesía', 4],
    ['búho', 2],
    ['guía', 2],
    ['guitarra', 3],
    ['queso', 2],
    ['pingüino', 3],
    ['ahora', 3],
    ['telescopio', 4],
    ['contrapeso', 4],
    ['ocular', 3],
    ['oír', 2],
    ['ley', 1],
    ['yeso', 2],
    ['ciudad', 2],
  ])('%s has %i', (word, count) => expect(spanishSyllables(word)).toBe(count))
  it('follows the published formula', () => {
    // El tu-bo no mi-ra al Sol: 6 words, 8 syllables by hand.
    const { grade } = readingGrade('El tubo no mira al Sol.', 'es')
    expect(grade).toBeCloseTo(206.835 - (62.3 * 8) / 6 - 6, 6)
  })
  it('easy prose reaches the band, a legal sentence doesn’t', () => {
    const easy = 'Abre las tres patas del todo. Pon la bandeja y gira. Así no se cierran.'
    const hard =
      'La responsabilidad derivada de la utilización inadecuada del instrumental astronómico corresponderá íntegramente a la persona solicitante.'
    expect(isEasyEnough(readingGrade(easy, 'es'), 'es')).toBe(true)
    expect(isEasyEnough(readingGrade(hard, 'es'), 'es')).toBe(false)
  })
})

it('a text without words has no grade, and another language is refused', () => {
  expect(readingGrade(' … ', 'en')).toEqual({ grade: 0, sentences: 0, longest: 0 })
  expect(() => readingGrade('Hallo', 'de' as 'en')).toThrow('language')
})
