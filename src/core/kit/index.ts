export * from './rig'
