export * from './checked'
export * from './fields'
export * from './limits'
