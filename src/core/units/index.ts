export * from './distance'
