import { isCommonPassword } from './common-passwords.ts'

const own = ['Ines Marlow', 'ines@marrowdale.example']

it.each([
  'password1234',
  'P@ssw0rd2026!',
  'qwertyuiop12',
  '123456789012',
  '210987654321',
  'aaaaaaaaaaaa',
  'abababababab',
  'marlowmarlow1',
  'ines.marlow.2026',
  'binoculum2026',
  'ILoveYou123456',
])('%s is guessed first', (password) => {
  expect(isCommonPassword(password, own)).toBe(true)
})

it.each([
  'gravel tuba northwind',
  'k7vq-x2mn-8rtp-hw3z',
  'my library smells of rain',
  '¿dónde está la llave?',
  'тихая вода 1987',
])('%s is one’s own', (password) => {
  expect(isCommonPassword(password, own)).toBe(false)
})
