import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { refuse, type Outcome } from '@/core/outcome'
import { copyTiles, type TilesSaid } from './copyTiles'
import { lookAtBackup, type BackupHeld } from './lookAtBackup'

/** Made by scripts/bundle.mjs. */
const READER = join('build', 'foreignFile.cjs')
/** Longer than 64 MB of tiles and a backup of a million entries take, s. */
const LIMIT_S = 60

/**
 * Has a process of its own read a file that somebody else made, so that one which never ends, or ends it, takes
 * nothing with it.
 * @param command the program and its arguments; what it writes is one JSON value
 * @param limitS after which it is ended
 */
export function inProcess<T>(command: string[], limitS = LIMIT_S): Promise<Outcome<T>> {
  return new Promise((done) => {
    const child = spawn(process.execPath, command, { stdio: ['ignore', 'pipe', 'ignore'] })
    const parts: Buffer[] = []
    let late = false
    const timer = setTimeout(() => {
      late = true
      child.kill('SIGKILL')
    }, limitS * 1000)
    child.stdout.on('data', (part: Buffer) => parts.push(part))
    const end = (code: number | null) => {
      clearTimeout(timer)
      if (late) return done(refuse(`It was not read within ${limitS} seconds, and given up. Export it anew.`))
      if (code !== 0) return done(refuse('Its reading broke off: it is damaged. Copy it again.'))
      done(JSON.parse(Buffer.concat(parts).toString('utf8')) as Outcome<T>)
    }
    child.on('error', () => end(1))
    child.on('close', end)
  })
}

function ask<T>(what: string, files: string[], here: () => Outcome<T>): Promise<Outcome<T>> {
  // In tests, which bundle nothing, it is read here.
  if (process.env.VITEST) return Promise.resolve(here())
  const reader = join(/*turbopackIgnore: true*/ process.cwd(), READER)
  if (!existsSync(reader)) throw new Error(`${READER} is missing: run npm run build first`)
  return inProcess<T>([reader, what, ...files])
}

export const askTiles = (from: string, to: string): Promise<Outcome<TilesSaid>> =>
  ask('tiles', [from, to], () => copyTiles(from, to))

export const askBackup = (file: string): Promise<Outcome<BackupHeld>> =>
  ask('backup', [file], () => lookAtBackup(file))
