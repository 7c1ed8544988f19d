export * from './compass'
export * from './fix'
