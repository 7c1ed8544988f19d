export type { Carried, CheckBody, Entry, EntryBody, PositionFix, Grade, Recording } from './entryRecord'
