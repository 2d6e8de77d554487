export * from './graph';
export * from './kinds';
export * from './parse';
export { formatPlantProblem, type FileProblem } from './problems';
export * from './schema';
export type { Diagram } from './drawing';
export * from './diff';
export * from './graphml';
export * from './sheets';
