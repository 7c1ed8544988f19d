export * from './fix'
