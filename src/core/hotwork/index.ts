export * from './breathing';
export * from './monitors';
export * from './surroundings';
export * from './tail';
