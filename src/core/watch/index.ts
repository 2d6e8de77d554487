export * from './board';
export * from './marks';
export * from './queue';
