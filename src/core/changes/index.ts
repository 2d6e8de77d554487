export * from './commands';
export * from './connections';
export * from './decide';
export * from './kinds';
export * from './line';
export * from './record';
export * from './who';
