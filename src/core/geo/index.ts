export * from './along'
export * from './coordinates'
export * from './geodesic'
export * from './snap'
