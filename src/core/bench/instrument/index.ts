export * from './scpi'
