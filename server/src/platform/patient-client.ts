import pg from 'pg'

/** A connection whose loss is told to whoever asked something over it, and to nobody else: between two questions nobody listens,
 * and what nobody listens to would end the server. */
export class PatientClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config)
    this.on('error', () => undefined)
  }
}
