export { keptPack } from '../log/deviceStore'
export { pageKept, takeRun } from './takeRun'
