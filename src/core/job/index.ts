export * from './authority';
export * from './signers';
export * from './commands';
export * from './decide';
export type { JobEvent } from './events';
export { timeOf } from './entered';
export { evolveDossier } from './evolve';
export * from './gates';
export * from './gates-back';
export * from './gates-permit';
export * from './papers';
export * from './carried-out';
export { findEndOfProofs, standAt } from './attendance';
export {
  findPlaceOf,
  gateClashes,
  listClashes,
  listClashesOf,
  type BoardClash,
  type JobClash,
} from './clashes';
export { listJobCautions, type JobCaution } from './cautions';
export { gateChanges, listJobChanges, type JobChange } from './changes';
export { findClearanceEnd, gateClearances, type ClearanceView } from './clearances';
export { viewClearing, type ClearingView } from './clearing';
export { type ClearingRecord, type CriticalMessage } from './clearing-records';
export { type KitView } from './kit';
export { type FirmView } from './firms';
export { gateCalled, viewRunUp, type RunUpView } from './run-up';
export { gateCritical, findAtWork, gateDefects, listDefectsAt } from './defects';
export { findInspectionDue } from './inspection';
export { listBypasses, type Bypass } from './bypasses';
export { policyOf, strengthsOf, trustedBy } from './grading';
export * from './hanging';
export { type LeakTestDemand } from './leak-test';
export { type LinePoint } from './lineup';
export { ENDS, type End } from './lineup-ends';
export * from './lamps';
export { findNames, findTouch, isAsked, speakAs, whyTied, type Touch } from './names';
export { findStepAreas, findWorkAreas } from './whereabouts';
export { findSubject, isCodeOf, readCode, refuseScan, writeCode, type ScanTarget } from './scan';
export * from './rules-effect';
export { type Block, type Sheet, type SheetFacts } from './sheet-parts';
export { describeSheets } from './sheets';
export * from './site';
export * from './stage';
export * from './state';
export {
  listNumberedTags,
  listTags,
  TAG_PRINTERS,
  type Held,
  type NumberedTag,
  type Tag,
} from './tags';
export { PHOTO_OF, type Photo, type PhotoOf } from './photo-kinds';
export * from './view';
export * from './template';
export * from './earlier';
export { listWords } from './words';
export * from './air';
export { findStandingAlarm, type StandingAlarm } from './standing-alarm';
export { findSilence, listDetectors, listFaults, type StandingDetector } from './detectors';
export { DEVICE_COMMANDS } from './commands-air';
export { listDecidingSums, listOfferedSums, type OfferedSum } from './offered';
export { findStay, sayNoted } from './sums';
export { findCallDue, listInside, listOverstayed, type EntryView } from './entry';
export { type HotWorkView } from './hot-work';
export * from './copies';
