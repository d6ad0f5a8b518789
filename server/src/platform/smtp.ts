import { createTransport } from 'nodemailer'
import { composeMessage, type MailDriver } from './mail.ts'

const TIMEOUT_MS = 15_000

/** Hands letters to a mail server. @param url smtp:// or smtps:// with host, and user and password where it wants them */
export function smtpDriver(url: string): MailDriver {
  const transport = createTransport({
    url,
    connectionTimeout: TIMEOUT_MS,
    greetingTimeout: TIMEOUT_MS,
    socketTimeout: TIMEOUT_MS,
  })
  return {
    way: 'smtp',
    async send(mail) {
      const raw = await composeMessage(mail)
      await transport.sendMail({ raw, envelope: { from: mail.from, to: [mail.to.address] } })
    },
  }
}
