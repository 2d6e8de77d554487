export * from './moments';
