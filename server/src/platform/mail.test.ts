import { createServer, type AddressInfo, type Socket } from 'node:net'
import { extract } from 'letterparser'
import { composeMessage, type Mail } from './mail.ts'
import { smtpDriver } from './smtp.ts'

const mail = (rest: Partial<Mail> = {}): Mail => ({
  from: 'Marrowdale Library <desk@marrowdale.example>',
  to: { name: 'Nell Teague', address: 'nell@post.example' },
  subject: 'Sorrel (M-03): focuser cap',
  text: 'Dear Nell Teague,\n\nwe could not find the focuser cap.\n',
  messageId: 'one@marrowdale.example',
  date: new Date('2026-03-12T14:00:00Z'),
  ...rest,
})

/** The least of a mail server [RFC 5321]: takes one letter at a time and keeps it, or refuses every recipient. */
async function mailServer(refuses = false) {
  const taken: { from: string; to: string[]; raw: string }[] = []
  const talk = (socket: Socket) => {
    let letter = { from: '', to: [] as string[], raw: '' }
    let isData = false
    let rest = ''
    const say = (line: string) => socket.write(`${line}\r\n`)
    const command = (line: string) => {
      if (/^(EHLO|HELO)/i.test(line)) return say('250 here')
      if (/^MAIL FROM:/i.test(line)) letter = { from: line.slice(10), to: [], raw: '' }
      if (/^RCPT TO:/i.test(line) && refuses) return say('550 nobody of this name')
      if (/^RCPT TO:/i.test(line)) letter.to.push(line.slice(8))
      if (/^DATA/i.test(line)) {
        isData = true
        return say('354 go on')
      }
      say(/^QUIT/i.test(line) ? '221 bye' : '250 ok')
    }
    socket.on('data', (bytes) => {
      rest += bytes.toString()
      for (let end = rest.indexOf('\r\n'); end >= 0; end = rest.indexOf('\r\n')) {
        const line = rest.slice(0, end)
        rest = rest.slice(end + 2)
        if (!isData) command(line)
        else if (line === '.') {
          isData = false
          taken.push(letter)
          say('250 taken')
        } else letter.raw += `${line.replace(/^\.\./, '.')}\r\n`
      }
    })
    socket.on('error', () => undefined)
    say('220 a mail server')
  }
  const server = createServer(talk)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  return { url: `smtp://127.0.0.1:${port}/?ignoreTLS=true`, taken, close: () => server.close() }
}

it('a letter is read back by a parser that did not write it (RFC 5322)', async () => {
  const text = 'Grüße aus der Bücherei – „Sorrel“ fehlt ein Deckel.\n.\nFrom here on dots stay.\n'
  const read = extract((await composeMessage(mail({ subject: 'Łódź: Deckel „klein“', text }))).toString())
  expect(read).toMatchObject({
    subject: 'Łódź: Deckel „klein“',
    from: { name: 'Marrowdale Library', address: 'desk@marrowdale.example' },
    to: [{ name: 'Nell Teague', address: 'nell@post.example' }],
  })
  expect(read.text?.replaceAll('\r\n', '\n').trim()).toBe(text.trim())
  expect(new Date(read.date ?? 0).toISOString()).toBe('2026-03-12T14:00:00.000Z')
})

it('no line is longer than a mail server takes, and no name or subject makes a header of its own', async () => {
  const raw = (
    await composeMessage(
      mail({
        subject: 'hello\r\nBcc: all@x.example',
        to: { name: 'Nell"\r\nCc: all@x.example', address: 'nell@post.example' },
        text: 'word '.repeat(800),
      }),
    )
  ).toString()
  const head = raw.slice(0, raw.indexOf('\r\n\r\n'))
  expect(head).not.toMatch(/^(Bcc|Cc):/im)
  expect(Math.max(...raw.split('\r\n').map((line) => line.length))).toBeLessThanOrEqual(998)
})

it('a mail server gets the letter once, to the one address', async () => {
  const server = await mailServer()
  await smtpDriver(server.url).send(mail())
  expect(server.taken).toHaveLength(1)
  expect(server.taken[0]).toMatchObject({ from: '<desk@marrowdale.example>', to: ['<nell@post.example>'] })
  expect(extract(server.taken[0]?.raw ?? '').text).toContain('we could not find the focuser cap')
  server.close()
})

it('what the server refuses is an error, and so is one that is not there', async () => {
  const server = await mailServer(true)
  await expect(smtpDriver(server.url).send(mail())).rejects.toThrow(/nobody of this name/)
  server.close()
  await expect(smtpDriver('smtp://127.0.0.1:1').send(mail())).rejects.toThrow()
})
