export * from './bodies';
export * from './check';
export * from './cost';
export * from './findings';
export { findBestPlan } from './planner/best';
export { planIsolation, type PlanAnswer, type PlanningResult } from './planner/plan';
export {
  writeLp,
  type IntegerProgramme,
  type ProgrammeOutcome,
  type ProgrammeSolver,
} from './planner/programme';
export type { ExtraMeasure } from './planner/shortfall';
export type { Stage } from './planner/stages';
export type { Aim } from './planner/solve';
export * from './policy';
export * from './requirement';
export * from './routes';
export * from './trace';
