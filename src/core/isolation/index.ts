export * from './bodies';
export { checkPlan, type CheckResult } from './check/check';
export { isIn, isMovedInto } from './check/interlocks';
export * from './inside';
export * from './lamps';
export { MODES, type Mode } from './modes';
export * from './cost';
export * from './disabled';
export * from './failures';
export * from './findings';
export {
  planIsolation,
  type PlanAnswer,
  type PlanningResult,
  type PlanningWatch,
} from './planner/plan';
export { PLANNING_WORDS, type PlanningPhase } from './planner/phases';
export type { ExtraMeasure } from './planner/shortfall';
export type { Stage } from './planner/stages';
export { limitTime, type SearchLimits } from './planner/limits';
export type { Aim } from './planner/fields';
export { checkValvedStage } from './planner/stages';
export { joinStages } from './planner/join-stages';
export * from './policy';
export * from './problem';
export * from './reasons';
export * from './requirement';
export * from './routes';
export * from './grades';
export type { Score } from './grade-score';
export * from './seen-open';
export * from './turning';
export * from './spills';
export * from './trace';
