export type { Carried, CheckBody, Entry, EntryBody, Fix, Grade, Recording } from './entryRecord'
