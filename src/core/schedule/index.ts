export * from './clash';
export { findDistance, findPlace, isNear, type Place } from './place';
export type { Span } from './window';
