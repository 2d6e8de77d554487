export { listStartStations } from './drafts';
export * from './places';
export * from './sequence';
export * from './steps';
export * from './walk';
