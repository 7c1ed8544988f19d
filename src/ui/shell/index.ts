export * from './RigBadge'
export * from './Say'
export * from './Shell'
export * from './UnitsSwitch'
