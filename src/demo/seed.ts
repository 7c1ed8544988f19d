import { databaseFile, DatabaseRefused, openDatabase } from '@/data'
import { seedOstrey } from './ostrey'

/** Opens the database named in EVEN_REACH_DB, brings it up to date and, if asked, fills it with the demo. */
try {
  const db = openDatabase(databaseFile())
  if (process.argv.includes('--demo')) seedOstrey(db)
} catch (e) {
  if (!(e instanceof DatabaseRefused)) throw e
  process.stderr.write(`${e.message}\n`)
  process.exitCode = 1
}
