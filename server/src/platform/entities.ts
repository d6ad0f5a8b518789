import { BenchCheck, ReadingRow } from '../features/checks/entities.ts'
import { GuideRow } from '../features/guides/entities.ts'
import { Job, Kit, Model, PartRow } from '../features/kits/entities.ts'
import { Agreement, BorrowerRow, Loan, TakeBackRow } from '../features/loans/entities.ts'
import { Branch, InvitationRow, Membership, SessionRow, Staff } from '../features/people/entities.ts'
import { ActRecord, SentOnce } from './record-entities.ts'

export const entities = [
  Branch,
  Staff,
  Membership,
  SessionRow,
  InvitationRow,
  Model,
  Kit,
  PartRow,
  Job,
  BorrowerRow,
  Agreement,
  Loan,
  TakeBackRow,
  GuideRow,
  BenchCheck,
  ReadingRow,
  ActRecord,
  SentOnce,
]
