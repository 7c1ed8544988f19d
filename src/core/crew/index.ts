export * from './pairingWords'
export * from './roles'
export * from './status'
