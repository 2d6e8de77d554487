export * from './assessment';
export * from './conditions';
export * from './hazards';
export * from './papers';
export * from './screening';
export * from './shift';
export * from './suggest';
export * from './validity';
