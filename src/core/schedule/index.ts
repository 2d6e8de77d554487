export * from './clash';
export { findPlace, type Place } from './place';
export type { Span } from './window';
