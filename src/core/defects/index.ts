export * from './answer';
export * from './apply';
export * from './commands';
export * from './decide';
export * from './devices';
export * from './kinds';
export * from './line';
export * from './record';
