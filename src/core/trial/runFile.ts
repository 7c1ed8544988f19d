export type { RunFile } from './runFileRecord'
