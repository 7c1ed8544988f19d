export * from './onTheLead'
export * from './simulatedAnalyser'
export * from './simulatedModem'
