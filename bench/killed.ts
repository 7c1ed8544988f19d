// Kills a process that writes for three devices with SIGKILL again and again and counts acknowledged entries that are
// missing afterwards. npm run kill -- 500
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { buildSync } from 'esbuild'
import { addTrial, entriesOf, openDatabase, planOf, openTrial, startRun } from '../src/data'

/** The writer in one file, which starts in a fraction of the time of its modules. @returns the file */
function bundledWriter(): string {
  const outfile = resolve('build', 'killWriter.cjs')
  buildSync({
    entryPoints: [join('bench', 'killWriter.ts')],
    alias: { '@': resolve('src') },
    external: ['better-sqlite3'],
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outfile,
    logLevel: 'error',
  })
  return outfile
}

/** Kills a writer so many times; answers with what was acknowledged and what of it is missing. */
export async function killAgainAndAgain(
  times: number,
): Promise<{ acknowledged: number; missing: number; intact: string }> {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-killed-'))
  const file = join(folder, 'a.db')
  const bundled = bundledWriter()
  try {
    const db = openDatabase(file)
    const trial = addTrial(db, 'Killed', '', 1)
    const runId = startRun(db, trial, 'Killed', planOf(openTrial(db, trial)!), {
      note: '',
      fixedBeforehand: false,
      imported: false,
    })
    db.$client.close()
    const acknowledged = new Set<string>()
    for (let i = 0; i < times; i++) {
      const writer = spawn(process.execPath, [bundled, file, runId], { stdio: ['ignore', 'pipe', 'inherit'] })
      let rest = ''
      let said = 0
      let ended = false
      await new Promise<void>((done) => {
        writer.stdout.on('data', (chunk: Buffer) => {
          const lines = (rest + chunk.toString()).split('\n')
          // A line that was cut off by the end was not acknowledged in full.
          rest = lines.pop()!
          for (const line of lines) acknowledged.add(line)
          said += lines.length
          // At another moment each time: after so many answers, however slow the machine, and some milliseconds on.
          if (ended || said < 5 + ((i * 3) % 17)) return
          ended = true
          setTimeout(() => writer.kill('SIGKILL'), (i * 7) % 41)
        })
        writer.on('exit', () => done())
      })
    }
    const after = openDatabase(file)
    const held = new Set(entriesOf(after, runId).map((e) => e.id))
    const intact = String(after.$client.pragma('integrity_check', { simple: true }))
    after.$client.close()
    const missing = [...acknowledged].filter((id) => !held.has(id)).length
    return { acknowledged: acknowledged.size, missing, intact }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

if (process.argv[1]?.endsWith('killed.ts')) {
  const times = Number(process.argv[2] ?? 500)
  const { acknowledged, missing, intact } = await killAgainAndAgain(times)
  console.log(
    `Killed ${times} times: ${acknowledged} entries acknowledged, ${missing} missing, integrity ${intact}.`,
  )
}
