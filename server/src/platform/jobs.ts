import PgBoss from 'pg-boss'
import type { House } from './house.ts'

/** Something that is done again and again without anybody asking: by one server, however many there are. */
export interface HouseJob {
  readonly name: string
  /** When, in cron's five fields, by UTC. */
  readonly cron: string
  readonly work: (house: House) => Promise<unknown>
}

const POLL_SECONDS = 30

const makeQueues = async (boss: PgBoss, jobs: readonly HouseJob[]) => {
  for (const { name, cron } of jobs) {
    await boss.createQueue(name, { name, policy: 'singleton', retryLimit: 2, expireInMinutes: 10 })
    await boss.schedule(name, cron)
  }
}

/** Makes the tables behind the queues, as the account that owns them: whoever works them later finds them there. */
export async function prepareQueues(ownerUrl: string, jobs: readonly HouseJob[]): Promise<void> {
  const boss = new PgBoss({ connectionString: ownerUrl, schema: 'jobs', max: 2 })
  const failures: unknown[] = []
  boss.on('error', (error) => failures.push(error))
  await boss.start()
  try {
    await makeQueues(boss, jobs)
  } finally {
    await boss.stop({ wait: true, graceful: false })
  }
  if (failures.length > 0) throw failures[0]
}

/** The queue of the house's jobs, kept in the database: what a server had begun when it died, another does again. */
export class Jobs {
  private readonly boss: PgBoss

  constructor(
    databaseUrl: string,
    private readonly jobs: readonly HouseJob[],
    private readonly failed: (error: unknown) => void,
    private readonly pollSeconds = POLL_SECONDS,
  ) {
    this.boss = new PgBoss({ connectionString: databaseUrl, schema: 'jobs', max: 2 })
    this.boss.on('error', failed)
  }

  async start(house: House): Promise<void> {
    await this.boss.start()
    await makeQueues(this.boss, this.jobs)
    for (const { name, work } of this.jobs) {
      await this.boss.work(name, { pollingIntervalSeconds: this.pollSeconds }, async () => {
        try {
          await work(house)
        } catch (error) {
          this.failed(error)
          throw error
        }
      })
    }
  }

  /** Does a job at the next look, whatever its time is. */
  async ask(name: string): Promise<void> {
    await this.boss.send(name, {})
  }

  /** Lets what runs come to its end. */
  stop(): Promise<void> {
    return this.boss.stop({ wait: true, graceful: true, timeout: 5000 })
  }
}
