import { Readable } from 'node:stream'
import { BRANCH_ARCHIVE_FORMAT, BRANCH_ARCHIVE_VERSION, type Session } from '@binoculum/contract'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { appendRecord } from '../../platform/record.ts'
import { linesOfOneMoment } from './rows-queries.ts'
import { picturesAsZip } from './pictures-zip.ts'

interface Wanted {
  readonly branchId: string
  readonly withBorrowers: boolean
}

/** A branch with its whole history in one open file, as it was at one moment. Written down in docs/formats/branch-archive.md. */
export class BranchArchive {
  constructor(private readonly context: Context) {}

  /** The file, line by line: as large as it is, only a few rows of it are held at once. */
  async write(session: Session, wanted: Wanted): Promise<Readable> {
    await this.begin(session, wanted, 'rows')
    return Readable.from(this.lines(wanted), { objectMode: false })
  }

  /** Its pictures, as a zip of JPEGs by the ids that the file names. */
  async pictures(session: Session, wanted: Wanted): Promise<Readable> {
    await this.begin(session, wanted, 'pictures')
    return picturesAsZip(this.context.database, wanted)
  }

  /** Who takes a branch's history away, and whether with names, stays known. */
  private async begin(session: Session, { branchId, withBorrowers }: Wanted, what: 'rows' | 'pictures') {
    requireRole(session, branchId, coordinatorOnly)
    const { database, clock } = this.context
    const { staffId } = session
    const act = { act: 'branch-archived', at: clock(), branchId, staffId, after: { what, withBorrowers } } as const
    await database.inTransaction((tx) => appendRecord(tx, act))
  }

  private async *lines({ branchId, withBorrowers }: Wanted): AsyncGenerator<string> {
    const { database, clock } = this.context
    const head = {
      format: BRANCH_ARCHIVE_FORMAT,
      version: BRANCH_ARCHIVE_VERSION,
      writtenAtUtc: clock(),
      withBorrowers,
    }
    yield `${JSON.stringify(head).slice(0, -1)},"rows":{\n`
    yield* linesOfOneMoment(database, [branchId, withBorrowers])
    yield '}}\n'
  }
}
