export * from './leadMeasured'
export * from './partOfWave'
export * from './throughLead'
export * from './timeDomain'
