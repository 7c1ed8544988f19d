export * from './day'
export * from './doubtfulMarks'
