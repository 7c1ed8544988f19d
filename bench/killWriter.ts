// Writes entries to a run as fast as it can and says on standard output which the database has acknowledged;
// it is killed by whoever started it. Arguments: database file, id of the run.
import { v7 } from 'uuid'
import { openDatabase } from '../src/data/database'
import { appendEntries } from '../src/data/runs'
import type { Entry } from '../src/core/trial'

const [file, runId] = process.argv.slice(2) as [string, string]
const db = openDatabase(file)
for (let n = 0; ; n++) {
  const batch = Array.from({ length: 1 + (n % 5) }, (_, i): Entry => ({
    id: v7(),
    runId,
    device: `writer ${process.pid}`,
    role: 'out there',
    wallTime: new Date().toISOString(),
    seq: n * 5 + i,
    supersedes: null,
    body: { kind: 'note', text: 'written until killed' },
  }))
  const held = appendEntries(db, batch)
  // Said only after the transaction is committed, as the server answers.
  process.stdout.write(`${held.join('\n')}\n`)
}
