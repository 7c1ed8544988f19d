export * from './distance'
export * from './frequency'
export * from './shortLength'
