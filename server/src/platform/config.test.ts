import { readConfig } from './config.ts'
import { hashPassword, newToken, passwordMatches, readablePassword } from './secrets.ts'

const env = { DATABASE_URL: 'postgres://a:b@127.0.0.1:5432/c' }

describe('settings', () => {
  it('has sensible defaults', () => {
    expect(readConfig(env, [])).toMatchObject({ host: '127.0.0.1', port: 8460, mode: 'real', publicUrl: null })
  })
  it.each([
    { what: 'no database', given: {}, names: 'DATABASE_URL' },
    { what: 'a port beyond 65535', given: { ...env, PORT: '70000' }, names: 'PORT' },
    { what: 'a port in words', given: { ...env, PORT: 'http' }, names: 'PORT' },
  ])('$what stops the start and names the setting', ({ given, names }) => {
    expect(() => readConfig(given, [])).toThrow(names)
  })
  it('serves demo data on this machine only', () => {
    expect(() => readConfig({ ...env, HOST: '0.0.0.0' }, ['--demo'])).toThrow('0.0.0.0')
    expect(readConfig({ ...env, HOST: '0.0.0.0' }, ['--empty']).mode).toBe('empty')
  })
})

describe('secrets', () => {
  it('tokens have 128 random bits at least and are safe in addresses', () => {
    const tokens = Array.from({ length: 200 }, newToken)
    expect(new Set(tokens).size).toBe(200)
    for (const token of tokens) {
      expect(Buffer.from(token, 'base64url').length * 8).toBeGreaterThanOrEqual(128)
      expect(encodeURIComponent(token)).toBe(token)
    }
  })
  it('passwords are kept as argon2id and only the right one matches', async () => {
    const password = readablePassword()
    const stored = await hashPassword(password)
    expect(stored).toMatch(/^\$argon2id\$/)
    expect(stored).not.toContain(password)
    expect(await passwordMatches(stored, password)).toBe(true)
    expect(await passwordMatches(stored, `${password}x`)).toBe(false)
    expect(await passwordMatches(null, password)).toBe(false)
  })
})
