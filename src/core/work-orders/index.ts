export * from './check';
export * from './csv';
export * from './schema';
