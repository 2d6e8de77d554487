export * from './sequence';
export * from './walk';
