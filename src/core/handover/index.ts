export * from './commands';
export * from './decide';
export * from './due';
export * from './parts';
export * from './record';
export * from './report';
