export * from './freeSpace'
export * from './planeEarth'
