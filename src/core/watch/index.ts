export * from './board';
export * from './marks';
export * from './queue';
export * from './site-queue';
export * from './job-row';
export * from './next-step';
export * from './plant-map';
export * from './section';
