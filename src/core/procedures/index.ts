export * from './check';
export * from './commands';
export * from './decide';
export * from './record';
