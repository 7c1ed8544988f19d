export * from './firthLogistic'
export * from './reachFromCopies'
export * from './repeatedProbit'
export * from './smoothGround'
