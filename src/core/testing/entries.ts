import type { Entry, EntryBody } from '@/core/trial/entry'

let made = 0

/** An entry for the tests: a second and an id later than the one before. */
export function testEntry(body: EntryBody, more: Partial<Entry> = {}): Entry {
  made++
  return {
    id: `01970000-0000-7000-8000-${String(made).padStart(12, '0')}`,
    runId: 'r',
    device: 'phone',
    role: 'out there',
    wallTime: new Date(Date.UTC(2026, 4, 16, 8, 0, made)).toISOString(),
    seq: made,
    supersedes: null,
    body,
    ...more,
  }
}
