export * from './graph';
export * from './kinds';
export * from './parse';
export type { FileProblem } from './problems';
export * from './schema';
export type { Diagram } from './drawing';
