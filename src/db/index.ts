export * from './backup';
export * from './beside';
export * from './open';
export * as tables from './schema';
export * from './per-process';
export * from './prepared';
export { log, logFault } from './log';
