export * from './along'
export * from './geodesic'
