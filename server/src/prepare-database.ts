import { makeDataSource } from './data-source.ts'
import { features } from './features.ts'
import { allowDaily } from './platform/accounts.ts'
import { migrate } from './platform/database.ts'
import { prepareQueues } from './platform/jobs.ts'

/** Brings the tables and queues to this version's, as the account that owns them. Where the server works as another one, that
 * one gets what it needs for a day's work and no more. */
export async function prepareDatabase({ ownerUrl, databaseUrl }: { ownerUrl: string; databaseUrl: string }) {
  const owner = await makeDataSource(ownerUrl).initialize()
  try {
    await migrate(owner)
    await prepareQueues(
      ownerUrl,
      features.flatMap(({ jobs = [] }) => jobs),
    )
    const [ownerName, dailyName] = [ownerUrl, databaseUrl].map((url) => decodeURIComponent(new URL(url).username))
    if (dailyName && dailyName !== ownerName) await allowDaily(owner, dailyName)
  } finally {
    await owner.destroy()
  }
}
