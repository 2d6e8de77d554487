export * from './clash';
export { findDistance, findPlace, type Place } from './place';
export type { Span } from './window';
