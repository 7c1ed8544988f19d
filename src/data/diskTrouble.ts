import Database from 'better-sqlite3'

/** What a disk can do to a database, and what is right then; by the beginning of SQLite's code or the system's. */
const WORDS: readonly [RegExp, string][] = [
  [
    /^(SQLITE_FULL|ENOSPC|EDQUOT)/,
    'The disk of the desk’s machine is full. Make room on it; nothing that was saved is lost, and telephones keep what they log until then.',
  ],
  [
    /^(SQLITE_READONLY|EROFS)/,
    'The database cannot be written: its file, or the disk that it lies on, is read-only. Give the right to write it back.',
  ],
  [
    /^(SQLITE_CORRUPT|SQLITE_NOTADB)/,
    'The database is damaged. Stop Even Reach, move the file away, and put a backup in its place; the last ones made by themselves lie in the folder "backup" beside it.',
  ],
  [
    /^(SQLITE_CANTOPEN|ENOENT|ENOTDIR|EEXIST)/,
    'The database’s file cannot be opened: its folder is gone, or a disk was taken out. Bring it back, and reload.',
  ],
  [
    /^(SQLITE_AUTH|SQLITE_PERM|EACCES|EPERM)/,
    'The database’s file may not be read. Give the right to read and write it.',
  ],
  [
    /^(SQLITE_IOERR|EIO)/,
    'The disk failed while the database was read or written. Look after the disk; nothing that was saved before is changed.',
  ],
  [/^(SQLITE_BUSY|SQLITE_LOCKED)/, 'Another program holds the database. Close it, then try again.'],
]

/** What is wrong with the disk, in words; null where it is another thing. */
export function diskTrouble(e: unknown): string | null {
  const isOurs = e instanceof Database.SqliteError || (e instanceof Error && 'syscall' in e)
  const code = isOurs ? String((e as { code?: unknown }).code ?? '') : ''
  return WORDS.find(([pattern]) => pattern.test(code))?.[1] ?? null
}
