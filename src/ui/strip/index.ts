export * from './ReachStrip'
export * from './model'
