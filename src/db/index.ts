export * from './open';
export * as tables from './schema';
