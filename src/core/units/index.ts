export * from './pressure';
export * from './quantity';
