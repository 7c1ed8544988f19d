export * from './distance'
export * from './frequency'
export * from './shortLength'
export * from './numberText'
