export * from './places';
export * from './sequence';
export * from './walk';
