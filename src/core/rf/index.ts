export * from './levels'
