// Writes entries of three devices, whose clocks are an hour behind, right and a day ahead, to a run as fast as it can,
// each fifth one in the place of an earlier one, and says on standard output which the database has acknowledged; it is
// killed by whoever started it. Arguments: database file, id of the run.
import { openDatabase } from '../src/data/database'
import { appendEntries } from '../src/data/runs'
import type { Entry } from '../src/core/trial'
import { idAfter } from '../src/features/field/log/idAfter'

const [file, runId] = process.argv.slice(2) as [string, string]
const db = openDatabase(file)
const CLOCKS_MS = [-3_600_000, 0, 86_400_000]
const devices = CLOCKS_MS.map((offset, i) => ({
  offset,
  name: `device ${i} of ${process.pid}`,
  newest: '',
  seq: 0,
}))
let last: Entry | null = null
for (let n = 0; ; n++) {
  const device = devices[n % devices.length]!
  const batch = Array.from({ length: 1 + (n % 5) }, (_, i): Entry => {
    const now = Date.now() + device.offset
    // Whoever corrects has seen what it corrects; the others know nothing of each other.
    const correct: Entry | null = i === 4 ? last : null
    const seen = correct && correct.id > device.newest ? correct.id : device.newest
    device.newest = idAfter(seen, now)
    return {
      id: device.newest,
      runId,
      device: device.name,
      role: 'out there',
      wallTime: new Date(now).toISOString(),
      seq: device.seq++,
      supersedes: correct?.id ?? null,
      body: { kind: 'note', text: 'written until killed' },
    }
  })
  last = batch[0]!
  const held = appendEntries(db, batch)
  // Said only after the transaction is committed, as the server answers.
  process.stdout.write(`${held.join('\n')}\n`)
}
