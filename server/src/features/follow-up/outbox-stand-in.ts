import { composeMessage, type Mail, type MailDriver } from '../../platform/mail.ts'

/** Mail that goes nowhere: the letter is composed as it would be sent, and stays readable in the outbox. */
export const outboxDriver: MailDriver = {
  way: 'outbox',
  async send(mail: Mail): Promise<void> {
    await composeMessage(mail)
  },
}
