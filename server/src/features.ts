import { archive } from './features/archive/feature.ts'
import { benchPlan } from './features/bench-plan/feature.ts'
import { borrowers } from './features/borrowers/feature.ts'
import { calendar } from './features/calendar/feature.ts'
import { branchArchive } from './features/branch-archive/feature.ts'
import { calculators } from './features/calculators/feature.ts'
import { cards } from './features/cards/feature.ts'
import { catalogue } from './features/catalogue/feature.ts'
import { checks } from './features/checks/feature.ts'
import { contents } from './features/contents/feature.ts'
import { drafts } from './features/drafts/feature.ts'
import { drift } from './features/drift/feature.ts'
import { feeds } from './features/feeds/feature.ts'
import { followUp } from './features/follow-up/feature.ts'
import { guides } from './features/guides/feature.ts'
import { judgement } from './features/judgement/feature.ts'
import { kits } from './features/kits/feature.ts'
import { loans } from './features/loans/feature.ts'
import { lessons } from './features/lessons/feature.ts'
import { logbook } from './features/logbook/feature.ts'
import { openCase } from './features/open-case/feature.ts'
import { opening } from './features/opening/feature.ts'
import { packing } from './features/packing/feature.ts'
import { people } from './features/people/feature.ts'
import { practice } from './features/practice/feature.ts'
import { printing } from './features/printing/feature.ts'
import { reminders } from './features/reminders/feature.ts'
import { remoteLooks } from './features/remote-looks/feature.ts'
import { secondFactor } from './features/second-factor/feature.ts'
import { sheet } from './features/sheet/feature.ts'
import { sites } from './features/sites/feature.ts'
import { spread } from './features/spread/feature.ts'
import { store } from './features/store/feature.ts'
import { transfers } from './features/transfers/feature.ts'
import { upkeep } from './features/upkeep/feature.ts'
import { waiting } from './features/waiting/feature.ts'
import type { Feature } from './platform/feature.ts'

/** All features of the server: each after those whose services it uses. A new one is added here, and nowhere else. */
export const features: readonly Feature[] = [
  secondFactor,
  people,
  opening,
  store,
  judgement,
  transfers,
  sheet,
  kits,
  sites,
  drift,
  checks,
  contents,
  openCase,
  guides,
  packing,
  remoteLooks,
  loans,
  lessons,
  calendar,
  drafts,
  followUp,
  reminders,
  waiting,
  borrowers,
  cards,
  feeds,
  benchPlan,
  logbook,
  printing,
  practice,
  spread,
  archive,
  branchArchive,
  catalogue,
  calculators,
  upkeep,
]
