export * from './checks';
export * from './classify';
export * from './plan';
export * from './purge';
