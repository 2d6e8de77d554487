export * from './beside';
export * from './electrical-round';
export * from './limits';
export * from './proofs';
export * from './seen';
