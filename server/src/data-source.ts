import { DataSource } from 'typeorm'
import { features } from './features.ts'
import { migrations } from './migrations/index.ts'
import { ReadableNames } from './platform/naming.ts'
import { ActRecord, SentOnce } from './platform/record-entities.ts'

/** The database with every feature's tables. */
export function makeDataSource(databaseUrl: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url: databaseUrl,
    entities: [ActRecord, SentOnce, ...features.flatMap(({ entities = [] }) => entities)],
    migrations,
    namingStrategy: new ReadableNames(),
    synchronize: false,
    uuidExtension: 'pgcrypto',
    installExtensions: false,
    poolSize: 20,
    // Failures reach the error handler, which logs them with their request.
    logging: false,
  })
}
