// Bundles what runs beside the pages into one file each, which starts in a fraction of the time of a thousand modules:
// the server that lets requests in, the thread that findings are worked out in and the one that helps it, the command
// that prints them, what opens a database before the server starts, and what reads databases that others made.
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { buildSync } from 'esbuild'

const root = fileURLToPath(new URL('..', import.meta.url))
buildSync({
  absWorkingDir: root,
  alias: { '@': join(root, 'src') },
  entryPoints: {
    server: 'src/server/main.ts',
    findingsThread: 'src/workers/findingsThread.ts',
    helperThread: 'src/workers/helperThread.ts',
    findings: 'src/cli/findings.ts',
    seed: 'src/demo/seed.ts',
    foreignFile: 'src/data/foreign/process.ts',
  },
  external: ['next', 'better-sqlite3'],
  outdir: 'build',
  outExtension: { '.js': '.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  logLevel: 'warning',
})
