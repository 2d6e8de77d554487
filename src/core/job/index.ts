export * from './authority';
export * from './commands';
export * from './decide';
export * from './events';
export * from './gates';
export * from './lamps';
export * from './site';
export * from './state';
