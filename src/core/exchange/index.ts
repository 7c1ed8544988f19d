export * from './day'
export * from './doubtfulMarks'
export * from './readElevation'
