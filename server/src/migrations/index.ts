import { RoundTrip1764000000000 } from './0001-round-trip.ts'
import { Contents1764100000000 } from './0002-contents.ts'
import { Mount1764200000000 } from './0003-mount.ts'
import { Collimation1764300000000 } from './0004-collimation.ts'
import { Finders1764400000000 } from './0005-finders.ts'
import { BorrowerMessages1764500000000 } from './0006-borrower-messages.ts'
import { GuideTexts1764600000000 } from './0007-guide-texts.ts'
import { KitsAsTheyAre1764700000000 } from './0008-kits-as-they-are.ts'
import { Growth1764800000000 } from './0009-growth.ts'
import { SentFor1764900000000 } from './0010-sent-for.ts'
import { GuidePieces1765000000000 } from './0011-guide-pieces.ts'
import { ModelOwners1765100000000 } from './0012-model-owners.ts'
import { SignIns1765200000000 } from './0013-sign-ins.ts'
import { SecondFactor1765300000000 } from './0014-second-factor.ts'
import { UpkeepMarks1765400000000 } from './0015-upkeep-marks.ts'
import { LoanDays1765500000000 } from './0016-loan-days.ts'
import { ProgrammeInTime1765600000000 } from './0017-programme-in-time.ts'
import { HandsCardsVan1765700000000 } from './0018-hands-cards-van.ts'
import { KeptIn1765800000000 } from './0019-kept-in.ts'
import { OpenCase1765900000000 } from './0020-open-case.ts'
import { LessonsAndNights1766000000000 } from './0021-lessons-and-nights.ts'
import { IssuedShape1766100000000 } from './0022-issued-shape.ts'

/** In order, named one by one: leftover build output is never taken for a migration. */
export const migrations = [
  RoundTrip1764000000000,
  Contents1764100000000,
  Mount1764200000000,
  Collimation1764300000000,
  Finders1764400000000,
  BorrowerMessages1764500000000,
  GuideTexts1764600000000,
  KitsAsTheyAre1764700000000,
  Growth1764800000000,
  SentFor1764900000000,
  GuidePieces1765000000000,
  ModelOwners1765100000000,
  SignIns1765200000000,
  SecondFactor1765300000000,
  UpkeepMarks1765400000000,
  LoanDays1765500000000,
  ProgrammeInTime1765600000000,
  HandsCardsVan1765700000000,
  KeptIn1765800000000,
  OpenCase1765900000000,
  LessonsAndNights1766000000000,
  IssuedShape1766100000000,
]
