export * from './checks';
export * from './figures';
export * from './refuse';
