/** A key as the server makes them, from a word that a test can be read by: always the same for the same word. */
export const idOf = (word: string): string => {
  const digits = Array.from(word, (letter) => letter.charCodeAt(0).toString(16).padStart(2, '0')).join('')
  return `00000000-0000-4000-8000-${digits.slice(-12).padStart(12, '0')}`
}
