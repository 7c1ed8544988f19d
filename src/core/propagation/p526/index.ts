export * from './bullington'
export * from './deltaBullington'
export * from './knifeEdge'
export * from './sphericalEarth'
