import { spawn, spawnSync } from 'node:child_process'
import { join } from 'node:path'

/** Where a trial that has findings lies, by the list of trials as it is sent. */
export const trialIn = (list: string): string => /\/trials\/[0-9a-f-]{36}(?=\/findings)/.exec(list)![0]

/** Starts the build's server on a database. @returns once it is ready, how to stop it */
export async function served(file: string, port: number): Promise<() => void> {
  const server = spawn(process.execPath, [join('build', 'server.cjs')], {
    env: { ...process.env, NODE_ENV: 'production', EVEN_REACH_DB: file, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((ready) => {
    server.stdout.on('data', (said: Buffer) => {
      if (said.includes('Ready')) ready()
    })
  })
  return () => server.kill()
}

/** Seeds a demo of its own in a folder and starts a server on it. @returns once it is ready, how to stop it */
export async function servedDemo(folder: string, port: number): Promise<() => void> {
  const file = join(folder, 'demo.db')
  const env = { ...process.env, EVEN_REACH_DB: file }
  const { status, stderr } = spawnSync(process.execPath, [join('build', 'seed.cjs'), '--demo'], { env })
  if (status !== 0) throw new Error(stderr.toString())
  return served(file, port)
}
