export * from './ReachStrip'
export * from './axis'
export * from './model'
