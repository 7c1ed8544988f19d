export * from './day'
