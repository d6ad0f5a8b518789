import MailComposer from 'nodemailer/lib/mail-composer/index.js'

/** A letter ready to go. */
export interface Mail {
  readonly from: string
  readonly to: { readonly name: string; readonly address: string }
  readonly subject: string
  readonly text: string
  readonly messageId: string
  readonly date: Date
}

/** The one way out for letters. Which driver is behind it is configuration; nothing else in the code knows. */
export interface MailDriver {
  readonly way: 'outbox' | 'smtp'
  /** @throws when the letter was not taken */
  send(mail: Mail): Promise<void>
}

/** The letter as a file: an Internet message [RFC 5322], readable by any mail program. */
export function composeMessage(mail: Mail): Promise<Buffer> {
  const { from, to, subject, text, messageId, date } = mail
  const composer = new MailComposer({ from, to: [to], subject, text, messageId: `<${messageId}>`, date })
  return composer.compile().build()
}
