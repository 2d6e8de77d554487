export * from './limits';
export * from './proofs';
