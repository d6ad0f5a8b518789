import { DataSource } from 'typeorm'
import { features } from './features.ts'
import { migrations } from './migrations/index.ts'
import { SLOW_STATEMENT_MS } from './platform/metrics.ts'
import { SlowStatements, type SlowStatement } from './platform/slow-statements.ts'
import { PatientClient } from './platform/patient-client.ts'
import { ReadableNames } from './platform/naming.ts'
import { ActRecord, SentOnce } from './platform/record-entities.ts'

/** The database with every feature's tables. @param saySlow hears of statements that took too long */
export function makeDataSource(databaseUrl: string, saySlow?: (line: SlowStatement) => void): DataSource {
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
    // Of the two tenths of a second in which a shelf's statement was compiled, none came back in running it.
    extra: { Client: PatientClient, options: '-c jit=off' },
    // Failures reach the error handler, which logs them with their request.
    logging: false,
    logger: new SlowStatements(saySlow),
    maxQueryExecutionTime: SLOW_STATEMENT_MS,
  })
}
