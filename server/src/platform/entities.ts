import {
  BenchCheck,
  KnobStepRow,
  ReadingRow,
  StepMedianRow,
  StepTimeRow,
  TurnedStepRow,
} from '../features/checks/entities.ts'
import { Picture, Remembered, RoleLossRow, Spare, WeighingRow } from '../features/contents/entities.ts'
import { TakeBackDraftRow } from '../features/drafts/entities.ts'
import { MessageRow, Notice } from '../features/follow-up/entities.ts'
import { BorrowerMessageRow, GuideRow, GuideTextRow } from '../features/guides/entities.ts'
import { ExtraPartRow, Job, Kit, Model, ModelPartRow, PartRow } from '../features/kits/entities.ts'
import { Agreement, BorrowerRow, Loan, TakeBackRow } from '../features/loans/entities.ts'
import { Branch, InvitationRow, Membership, SessionRow, Staff } from '../features/people/entities.ts'
import { PracticeRun } from '../features/practice/entities.ts'
import { LandmarkRow, SiteRow } from '../features/sites/entities.ts'
import { ActRecord, SentOnce } from './record-entities.ts'

export const entities = [
  Branch,
  Staff,
  Membership,
  SessionRow,
  InvitationRow,
  Model,
  ExtraPartRow,
  ModelPartRow,
  Kit,
  PartRow,
  Job,
  BorrowerRow,
  Agreement,
  Loan,
  TakeBackRow,
  GuideRow,
  BorrowerMessageRow,
  GuideTextRow,
  BenchCheck,
  ReadingRow,
  StepTimeRow,
  StepMedianRow,
  TurnedStepRow,
  KnobStepRow,
  LandmarkRow,
  Spare,
  WeighingRow,
  RoleLossRow,
  Picture,
  Remembered,
  Notice,
  MessageRow,
  TakeBackDraftRow,
  SiteRow,
  PracticeRun,
  ActRecord,
  SentOnce,
]
