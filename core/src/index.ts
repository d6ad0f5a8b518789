export { directionFromUpDeg, lengthOf, type PointXY } from './shared/angles.ts'
export { opticalView, VISUAL_WAVELENGTH_NM, type PowerVerdict, type View, type ViewInput } from './optics/view.ts'
export {
  highestMagnification,
  lowestPowerFieldDeg,
  powersOf,
  type OpticalPart,
  type Power,
  type Tube,
} from './optics/powers.ts'
export {
  collimationQuality,
  sphereRmsWaves,
  type CollimationVerdict,
  type MirrorFigure,
  type Quality,
  type QualityInput,
} from './collimation/quality.ts'
export { axisErrorFromOffset, offsetInCellFrame } from './collimation/offset.ts'
export { finderParallax, misalignmentAtLandmark, type Parallax, type ParallaxInput } from './finder/parallax.ts'
export {
  isZoneFar,
  needsYes,
  sunQuestion,
  zoneMismatchDeg,
  type FinderTargetKind,
  type SunDoubt,
  type SunQuestion,
} from './finder/sun-question.ts'
export { finderVerdict, usableMisalignmentArcmin, type FinderVerdict } from './finder/verdict.ts'
export {
  families,
  isRole,
  marks,
  roleFacts,
  roles,
  type Criticality,
  type Family,
  type Mark,
  type Role,
  type RoleFacts,
} from './contents/roles.ts'
export { roleFromName } from './contents/role-match.ts'
export {
  parseLengthMm,
  parseMassG,
  parseNumber,
  G_PER_POUND,
  MM_PER_INCH,
  type DecimalSign,
} from './contents/units.ts'
export { listFields, type ListField } from './contents/list-fields.ts'
export { readContentsList } from './contents/contents-list.ts'
export {
  type ContentsList,
  type ListedKit,
  type ListedPart,
  type ListDecisions,
  type ListedWord,
  type ListQuestion,
  type ListRow,
  type RowProblem,
  type RowProblemCode,
} from './contents/listed.ts'
export { findHeader, matchHeader, type ColumnMap } from './contents/list-header.ts'
export { conditions, type Condition } from './readiness/condition.ts'
export { judgeReadiness, neededReadings } from './readiness/judge.ts'
export {
  hazardCodes,
  modelUnknowns,
  type ModelUnknown,
  readingKinds,
  type HazardCode,
  type ExtraPart,
  type JudgedModel,
  type JudgedPart,
  type JudgeInput,
  type Judgement,
  type OpenJob,
  type Policies,
  type Reading,
  type ReadingKind,
  type ReadingSource,
  type Reason,
  type ReasonCode,
  type Remedy,
} from './readiness/judged.ts'
export { sampleList, starterCard, starterFacts, type StarterPart } from './contents/starter-card.ts'
export {
  filterFastenings,
  filterFasteningWords,
  filterMaterials,
  filterMaterialWords,
  hazardRoles,
  isHazardRole,
  type FilterFastening,
  type FilterMaterial,
} from './contents/filters.ts'
export {
  tubeRolls,
  armJoints,
  armJointWords,
  fixingWords,
  trays,
  trayWords,
  tubeFixings,
  tubeSlides,
  usualStand,
  type ArmJoint,
  type StandData,
  type Tray,
  type TubeFixing,
} from './mount/stand.ts'
export { finderKindOnCard, finderOnCard, type FinderPart } from './finder/finder-kind.ts'
export {
  barrelFits,
  chainKinds,
  opticalChains,
  type Chain,
  type ChainInput,
  type ChainKind,
  type ChainPart,
  type Chains,
} from './optics/chains.ts'
export { judgeKit, powersThere, type KitState } from './readiness/judge-kit.ts'
export { benchJobCodes, isBenchJob, jobCodes, jobFacts, type JobCode } from './readiness/jobs.ts'
export {
  cleanAnswers,
  goThroughJob,
  hazardsFrom,
  jobsForOutcome,
  jobsFrom,
  outcomes,
  proposeOutcome,
  standsAfter,
  type Outcome,
  type TakeBackAnswers,
} from './loans/take-back.ts'
export {
  freeSlots,
  leaveRoom,
  openDays,
  spanOf,
  type LoanDays,
  type DayNumberSpan,
  type DeskDays,
  type FreeSlotsInput,
} from './loans/free-slots.ts'
export {
  planLoans,
  type LoanPlan,
  type PlanGain,
  type PlanInput,
  type PlanKit,
  type PlanLine,
  type PlanRequest,
} from './loans/plan.ts'
export { clashCodes, promiseClash, type Clash, type ClashCode, type PromiseFacts } from './loans/clash.ts'
export { borrowerLevels, carriers, kitSuits, observerAges, type BorrowerCan, type KitFit } from './loans/kit-suits.ts'
export {
  defaultReminderPolicy,
  isLetterHour,
  reminderDue,
  reminderKinds,
  type ReminderKind,
  type ReminderPolicy,
} from './loans/reminders.ts'
export {
  fillReminder,
  reminderBlanks,
  reminderLanguages,
  reminderTexts,
  reminderWords,
  unknownBlanks,
  type ReminderLanguage,
} from './words/reminders.ts'
export { offerLetter } from './words/offer.ts'
export { planBench, type BenchEvening, type BenchPlan, type BenchWork } from './checks/bench-plan.ts'
export { benchSkills, skillsFor, workAhead, type BenchSkill, type StationTime } from './checks/bench-work.ts'
export { slotNights, slotWishes, suitsWish, type SlotNights, type SlotWish } from './loans/suggest-slots.ts'
export { clashText, slotReason, wishWords } from './words/loans.ts'
export { moonIsUp, skyEvening, type Evening, type Planet } from './sky/evening.ts'
export { dateOfDay, dayNumber, isoWeek, isoWeekday } from './shared/day-number.ts'
export { guideSentencesPage } from './guides/sentences-page.ts'
export { composeGuide, saidVariables } from './guides/compose.ts'
export {
  blockOf,
  blocks,
  blockTags,
  blockVariables,
  sunLines as sunWarning,
  type BlockDefinition,
} from './guides/blocks.ts'
export {
  blockLine,
  blockLines,
  fittingLines,
  lineText,
  unknownIn,
  variablesIn,
  type BlockLine,
} from './guides/block-text.ts'
export { placeAway, SAME_SKY_KM } from './guides/place-away.ts'
export { tagWords } from './words/guide-tags.ts'
export { guideFacts, isEquatorial, usablePowers, type GuideFacts } from './guides/kit-facts.ts'
export { guideDate, guideTime, isEnglish, plain, type Said, type Variables, type Translator } from './guides/said.ts'
export { packingSlots, packingTitle, picturesInGuide, placeOf, type PackingSlot } from './guides/packing.ts'
export type { LiesSo, PackingPicture } from './guides/packing-picture.ts'
export { skies, type Sky } from './sky/skies.ts'
export { guideLanguages, translator } from './guides/languages/guide-languages.ts'
export { pageLanguages, pageTranslator } from './guides/languages/page-languages.ts'
export { saidPart } from './guides/said-part.ts'
export { findingChart, type FindingChart } from './sky/finding-chart.ts'
export { upgradeGuide, type FirstGuide } from './guides/first-version.ts'
export { helpSheet, type HelpSheet } from './guides/help-sheet.ts'
export { starTrack, type StarTrack, type VideoFrame } from './mount/star-track.ts'
export type { LegsRoom } from './mount/near-legs.ts'
export {
  comesNearLegs,
  facingDeg,
  highestOf,
  NEAR_LEGS,
  reachAt,
  reachWords,
  tooHighWords,
  WITH_EXTENSION,
  type KitReach,
} from './guides/kit-reach.ts'
export {
  airWords,
  faintPattern,
  highestWorth,
  leftOutBy,
  leftOutWords,
  moonEdges,
  moonEdgeWords,
  ONLY_LOWEST,
  patternWords,
  SKY_OF_PLACE,
  skyVerdict,
  skyWords,
  twinkles,
  twinkleWords,
  type MoonEdge,
  type SkyAnswers,
  type SkyVerdict,
  type Twinkle,
} from './guides/sky-test.ts'
export { areaOf, isSimple } from './contents/open-case/outline.ts'
export {
  caseLook,
  closedTubeLook,
  finderLook,
  lookMeanings,
  mirrorLook,
  starLook,
  type JudgedLook,
  type LookLine,
  type LookMeaning,
  type ScrewLeave,
} from './guides/remote-look.ts'
export {
  usualBorrower,
  type Guide,
  type GuideBlock,
  type GuideBorrower,
  type GuideInput,
  type GuidePart,
  type GuidePower,
  type GuideStep,
  type GuideText,
  type GuideTrouble,
  type OwnBlock,
} from './guides/guide.ts'
export { nightNow } from './guides/night-now.ts'
export {
  nightStops,
  toldKey,
  toldVerdict,
  type NightStop,
  type Told,
  type ToldTargets,
} from './guides/first-night.ts'
export { composeLesson, mixed, type Lesson, type LessonAct, type LessonText } from './guides/lesson.ts'
export { type GuideNight, type GuidePlace, type NightTarget as GuideNightTarget } from './guides/nights.ts'
export {
  arcminText,
  dateText,
  daysText,
  degText,
  massText,
  mmText,
  moneyText,
  powerText,
  secondsText,
} from './words/figures.ts'
export {
  conditionWords,
  kindWords,
  outcomeWords,
  reasonClause,
  keptBesideWords,
  readingFigureText,
  reasonSentence,
  remedySentence,
} from './words/readiness.ts'
export {
  cellResponseSentence,
  clockHourOf,
  noticedSentence,
  photoRefusalWords,
  photoWarningWords,
  primaryAdvice,
  primaryBeyondTravelSentence,
  primaryTurnsSentence,
  repeatMeansWords,
  repeatVerdictWords,
  secondaryTurnSentences,
  starRefusalWords,
  starWarningWords,
  stepResponseSentence,
  turnFraction,
  turnsClause,
  wayWord,
} from './words/collimation.ts'
export { answerWords, problemSentence, questionWords } from './words/contents-list.ts'
export { type CheckedKit, type KeptReading } from './checks/kept-reading.ts'
export { SHAKE_LIMITS_S, type ShakeReading, type StepFinding } from './checks/station-assembly.ts'
export { learnFrom, weightPlaceMm } from './checks/station-balance.ts'
export {
  axisErrorMm,
  axisErrorOf,
  repeatVerdictOf,
  repeatVerdicts,
  type OffsetReading,
} from './checks/station-collimation.ts'
export { misalignmentArcmin, type FinderReading } from './checks/station-finder.ts'
export { readingsFromStation, type StationReading } from './checks/stations.ts'
export { explainWeight, saysNothing } from './contents/explain-weight.ts'
export type {
  Explanation,
  ExplainWeightInput,
  ForeignPart,
  GroupWeight,
  Weighing,
  WeighedPart,
  WeightExplained,
} from './contents/weighing.ts'
export { firstGuessOfLoss, lossChance } from './contents/loss-chance.ts'
export {
  correctedMasses,
  smallestLossSeenG,
  tooLightToTell,
  weighingOf,
  weighInInput,
  weightVerdict,
  type WeighedLine,
  type WeightVerdict,
} from './contents/weigh-in.ts'
export { differenceText, explanationClause, percentText, weightSentence, type NameOf } from './words/weigh-in.ts'
export {
  caseLayout,
  inCaseOrder,
  shapeOf,
  type Compartment,
  type PartShape,
  type PlacedPart,
} from './contents/case-layout.ts'
export {
  followModel,
  kitDifferences,
  templateFields,
  type Difference,
  type TemplateField,
  type TemplatePart,
} from './contents/model-differences.ts'
export { likeness, matchRole, MATCHED_FROM, type RoleMatch } from './contents/similarity.ts'
export { spreadsheetSafe, unguarded } from './contents/spreadsheet-safe.ts'
export { readScaleLine, settledReading, type ScaleLine, type TimedReading } from './contents/scale-lines.ts'
export {
  DRYING_HOURS,
  followUpCodes,
  followUpDays,
  followUpsOf,
  isFollowUp,
  nextFollowUp,
  worthAsking,
  type FollowUp,
  type FollowUpCode,
} from './loans/follow-up.ts'
export { lookAlikeRoles } from './contents/look-alikes.ts'
export { missingPartsLetter, NAME_PLACEHOLDER, withName, type Letter } from './words/letter.ts'
export { changesOf, type ExistingPart, type ListChange } from './contents/list-changes.ts'
export {
  fitted,
  papers,
  sizeThatFits,
  wrapped,
  type Codes,
  type DrawnCode,
  type Fill,
  type Measure,
  type PageFont,
  type PageItem,
  type Paper,
  type PrintedPage,
  type Printer,
} from './printing/page-items.ts'
export {
  labelPages,
  labelSheet,
  SMALLEST_MM,
  type CodeLabel,
  type Label,
  type LabelSheet,
  type PouchLabel,
} from './printing/label-sheet.ts'
export { contentsCardPages, type CardKit } from './printing/contents-card.ts'
export { type CardPart } from './printing/case-plan.ts'
export {
  practiceCase,
  scorePractice,
  sightWords,
  type PracticeCase,
  type PracticeFault,
  type PracticePart,
  type PracticeScore,
  type Sight,
} from './practice/practice-case.ts'
export {
  headMomentGmm,
  mountBalance,
  type Balance,
  type BalanceInput,
  type BalanceReason,
  type Shaft,
  type TubeSideMass,
} from './mount/balance.ts'
export { tubeShift } from './mount/tube-shift.ts'
export { tubeRoll, type Roll } from './mount/roll.ts'
export { goodLoadFraction, mountLoad, type LoadVerdict } from './mount/load.ts'
export { onTheHead, type OnTheHead } from './mount/meridian.ts'
export { sideOfMount, signedHours, type SideOfMount, type TubeSide } from './mount/side.ts'
export { mountReach, EYE_HEIGHTS_MM, type Posture, type Reach, type ReachInput } from './mount/reach.ts'
export {
  vibration,
  type ShakeRefusal,
  type ShakeSample,
  type ShakeWarning,
  type Vibration,
} from './mount/vibration.ts'
export { polarDrift, polarErrorForDriftDeg } from './mount/polar-drift.ts'
export { poleStar, type PoleStar } from './mount/pole-star.ts'
export { clockText, ringInScope, type SightingScope } from './mount/ring-clock.ts'
export {
  controllerEntries,
  degreesMinutesSeconds,
  type ControllerAnswer,
  type ControllerEntries,
  type Dms,
} from './mount/controller-entries.ts'
export {
  controllerFields,
  isComputedField,
  type ControllerField,
  homeDrawings,
  stopMeetings,
  type EquatorialHead,
  type HandController,
  type HomePosition,
  type MountData,
  type StopMeeting,
  type TubeFigures,
  type UpperStop,
} from './mount/mount-data.ts'
export {
  mostBareShaftMm,
  balanceRoles,
  cantBalance,
  type CantBalance,
  balanceOf,
  bareShaftMm,
  collapsibleBalance,
  ironWeightMm,
  learntHeadMoment,
  positionFromBareShaft,
  ridingParts,
  setUpNames,
  setUpParts,
  spareThatWouldDo,
  tapeMarkMm,
  type BalancePart,
  type KitOnMount,
  type SetUpBalance,
  type SetUpName,
} from './mount/kit-balance.ts'
export { alignmentStars, azimuthsApartDeg, type AlignmentStar, type AlignmentStars } from './sky/alignment-stars.ts'
export { needleDeclination, NEEDLE_MODEL_YEARS, type NeedleAnswer } from './sky/needle.ts'
export { localAsUtcMs, offsetsOfLocal, standardOffsetHours, zoneOffsetHours } from './sky/zone-time.ts'
export {
  feels,
  phases,
  procedureWarnings,
  stepDrawings,
  stepsForKit,
  stepTests,
  type Feel,
  type Phase,
  type Procedure,
  type ProcedureStep,
  type ProcedureWarning,
  type StepDrawing,
  type StepTest,
} from './procedures/procedure.ts'
export { dismantling, templateProcedure, type TemplateModel } from './procedures/templates.ts'
export { judgeAnswers, levelAnswer, stepQuestions, tiltDeg, type TestQuestion } from './checks/step-tests.ts'
export {
  controllerFieldWords,
  controllerLines,
  dmsText,
  needleSentence,
  setUpWords,
  stopMeetingWords,
  tubeAdvice,
  weightAdvice,
  whatFalls,
  zoneText,
  type ControllerLine,
} from './words/mount.ts'
export { scaleSetting, type ScaleSetting } from './mount/latitude-scale.ts'
export { labelWords, type DrawnLabel, type LabelWords } from './drawings/labels.ts'
export { drawStep, STEP_HEIGHT_PX, STEP_WIDTH_PX, type StepPicture } from './drawings/step.ts'
export type { DrawnItem } from './drawings/drawn.ts'
export { closeUp } from './drawings/close-ups.ts'
export { closeUps, type CloseUp } from './drawings/close-up-strokes.ts'
export type { DrawnKit } from './drawings/dimensions.ts'
export { tapePages, type Tape } from './printing/tape.ts'
export {
  isBeyondTravel,
  mostAxisErrorMm,
  SCREW_TRAVEL_TURNS,
  axisErrorAfter,
  axisPerTurn,
  collimationTurns,
  roundedTurns,
  type CellScrew,
  type PrimaryCell,
  type ScrewTurn,
  type TurnsAdvice,
} from './collimation/screws.ts'
export {
  SECONDARY_LIMIT_SHARE,
  secondaryErrorAfter,
  secondaryTurns,
  type HolderScrew,
  type SecondaryTurns,
} from './collimation/secondary.ts'
export {
  cellThreads,
  eyeOffsetMm,
  eyePlaces,
  inView,
  peepholeTubeOf,
  photoSizesOf,
  primaryCellOf,
  screwPlace,
  type EyePlace,
  starSizesOf,
  type MirrorData,
} from './collimation/mirror-data.ts'
export { collimationRepeat, FEWEST_OPENINGS, type Repeatability, type RepeatVerdict } from './collimation/repeat.ts'
export {
  cellAsLearnt,
  learntResponse,
  stepResponse,
  type CellResponse,
  type StepResponse,
  type TurnedStep,
} from './collimation/cell-response.ts'
export {
  foldedFrame,
  peepholeView,
  type Alignment,
  type PeepholeTube,
  type PeepholeView,
} from './collimation/peephole-view.ts'
export { MOST_PIXELS, type Picture } from './collimation/picture/planes.ts'
export { madeUpView } from './collimation/picture/made-up-view.ts'
export { figuresFromCircles, type PhotoFigures } from './collimation/picture/figures.ts'
export {
  measurePhoto,
  verdictWithDoubt,
  type MeasuredPhoto,
  type MeasurePhotoInput,
  type PhotoRefusal,
  type PhotoWarning,
  type SeenCircle,
} from './collimation/picture/measure-photo.ts'
export {
  AXIS_RATIO_LIMITS,
  RING_OFFSET_LIMITS,
  starJudge,
  type ClosedTube,
  type StarJudged,
  type StarJudgeInput,
  type StarJudgeRefusal,
  type StarJudgeWarning,
  type StarVerdict,
} from './collimation/picture/star-judge.ts'
export {
  STAR_DOUBT_SHARE,
  starFigures,
  starTest,
  type StarFigures,
  type StarTested,
} from './collimation/picture/star-test.ts'
export { type StarRefusal, type StarTestInput, type StarWarning } from './collimation/picture/read-star.ts'
export { circleAbout } from './sky/horizontal.ts'
export { apparentSun, refractionDeg, sunSafety, USUAL_MARGIN_DEG, type SunSafety } from './sky/sun-safety.ts'
export {
  lockPractice,
  practiceAlignment,
  practiceErrorMm,
  practiceLimits,
  practiceStage,
  practiceTube,
  shortestWay,
  sixteenthsUsed,
  startedPractice,
  turnPracticeScrew,
  undoPractice,
  type PracticeLevel,
  type PracticeState,
  type PracticeTube,
} from './practice/practice-tube.ts'
export { practiceVerdict, practiceVerdictWords, type PracticeProgress } from './practice/progress.ts'
export { PRACTICE_HELP_LINES, practiceHelp } from './words/practice.ts'
export { nearFocus, type Focusing, type NearFocus } from './finder/near-focus.ts'
export {
  afterKnobTurns,
  arcminPerTurn,
  finderKnobs,
  learnKnobs,
  type FinderKnob,
  type KnobStep,
  type KnobTurn,
} from './finder/knobs.ts'
export {
  aimArcmin,
  fromField,
  fromFinder,
  fromScale,
  toView,
  type Misaligned,
  type OpticalTrain,
  type Train,
} from './finder/seen.ts'
export { shareOfFirstLooks } from './finder/first-looks.ts'
export {
  finderKinds,
  finderKindWords,
  finderTrain,
  usualFinder,
  usualKnobs,
  type FinderData,
  type FinderKind,
} from './finder/finder-data.ts'
export { COIN_CELL_VOLTS, dotBattery, type DotBrightness } from './finder/battery.ts'
export {
  distanceAndBearing,
  distanceDoubt,
  landmarkSources,
  NEAREST_LANDMARK_M,
  pacedM,
  placeAt,
  type LandmarkSource,
} from './finder/landmark.ts'
export { dayStrip, sunDay, sunOfDay, type DayKind, type DaySpan, type SunDay } from './sky/sun-day.ts'
export { dayMoon, nightTarget, type DayMoon, type NightTarget } from './sky/finder-targets.ts'
export {
  aimWords,
  besideWords,
  firstLooksWords,
  knobLines,
  nearFocusWords,
  sunDoubtWords,
  sunQuestionWords,
  type KnobLine,
} from './words/finder.ts'
export { alignmentSheetPage, type AlignmentSheet } from './printing/alignment-sheet.ts'
export { skyNight, type Night, type NightState } from './sky/night.ts'
export { eveningTargets, type EveningTargets } from './sky/targets.ts'
export { type Target, type TargetKind, type TargetsInput } from './sky/target-stretches.ts'
export { noTargetWords, powersFor, skyTargets, whyWords, type NamedPower, type SkyTargets } from './words/targets.ts'
export { patternLines, patternStars, type PatternStar } from './sky/patterns.ts'
export {
  isEasyEnough,
  readingGrade,
  readingLanguages,
  readingLimits,
  type ReadingGrade,
  type ReadingLanguage,
} from './guides/reading-grade.ts'
export { howItHolds, type Holding } from './checks/how-it-holds.ts'
export { toolsToBring } from './checks/tools.ts'
export {
  fallingEnds,
  letGoAdvice,
  letGoAltitudesDeg,
  letGoSetUps,
  type FallingEnd,
  type LetGo,
  type LetGoAdvice,
  type LetGoSetUp,
} from './checks/let-go.ts'
export {
  cleaningWays,
  glassAdvice,
  glassGrades,
  glassTroubles,
  type CleaningWay,
  type GlassAdvice,
  type GlassGrade,
  type GlassTrouble,
} from './checks/glass.ts'
export {
  besideKinds,
  seenBeside,
  type BesideKind,
  type BesideUnit,
  type SeenBeside,
  type StationBeside,
} from './checks/seen-beside.ts'
export {
  chargeLeft,
  chemistries,
  powerVerdict,
  USUAL_DRAW_A,
  USUAL_NEEDED_HOURS,
  usualPower,
  type Chemistry,
  type PowerReading,
} from './checks/power.ts'
export {
  alignmentResult,
  landingPatterns,
  landingPlaces,
  type AlignmentResult,
  type Landing,
  type LandingPattern,
  type LandingPlace,
  type WrongEntry,
} from './mount/alignment-result.ts'
export {
  azimuthTurnArcmin,
  driftPlaces,
  longestExposureS,
  polarErrorFromDrift,
  type DriftPlace,
  type DriftWatch,
  type PolarError,
} from './mount/polar-test.ts'
export { chainName, focusReach, type FocusLook, type FocusReach } from './optics/focus-reach.ts'
export {
  DEFAULT_DUE_CHANCE,
  forecastDrift,
  type DriftForecast,
  type DriftForecastInput,
  type Drifted,
  type DriftPair,
} from './trends/forecast.ts'
export { driftPairs, type FoundAndLeft } from './trends/pairs.ts'
export { FEWEST_TO_SAY, rateInterval, shareInterval, spreadOf, type Interval, type Spread } from './trends/rates.ts'
export { LOOK_MINUTES, lookSentence } from './words/look.ts'
export {
  lookRules,
  whatIf,
  type LookRule,
  type SimulatedKit,
  type WhatIfInput,
  type YearUnderRule,
} from './trends/what-if.ts'
export { costPerLoan } from './trends/cost.ts'
export { dayStates, daysByState, type DayState, type StateSpan } from './trends/days-by-state.ts'
export { stockToKeep } from './trends/stock.ts'
export { committeeReportPages, type CommitteeReport } from './printing/committee-report.ts'
export { costSentence, costText, partWords, sparesSentence, type BuyingFacts } from './words/buying.ts'
export { marksAmong, markCount, markText, type FoundMarks, type ReadCode } from './contents/open-case/case-marks.ts'
export { caseMarksPage } from './printing/case-marks.ts'
export { chargingCardPage, type ChargingCardKit } from './printing/charging-card.ts'
export { CORNERS, MARK_MM, type CaseSize, type Corner, type MarkCorners } from './contents/open-case/case-pose.ts'
export {
  compareCase,
  learntCase,
  LEAST_REFERENCES,
  MOST_TILT_DEG,
  readCase,
  straightenedCase,
  type CaseExample,
  type CasePicture,
  type CaseReference,
  type CaseRefusal,
  type CaseWarning,
  type ComparedCase,
  type ComparedCompartment,
  type CompartmentVerdict,
  type ReadCase,
} from './contents/open-case/compare-case.ts'
export type { Compartment as CaseCompartment } from './contents/open-case/place.ts'
export { comparePictures, refusedCase, type ComparePicturesInput } from './contents/open-case/compare-pictures.ts'
export { caseRefusalWords, caseSentence, caseWarningWords, type Weighed } from './words/open-case.ts'
export { lossChanceSeen } from './contents/loss-chance.ts'
export { remoteLookWords } from './words/remote-look.ts'
export { starJudgeRefusalWords, starJudgeWarningWords, starVerdictWords } from './words/collimation.ts'
export {
  lentDrift,
  lentLosses,
  MOST_LENT_PAIRS,
  MOST_LENT_PIECE_LOANS,
  toldSpread,
  type ClassDrift,
  type KindLosses,
  type ToldSpread,
} from './trends/spread.ts'
