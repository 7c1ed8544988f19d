import { execFileSync, spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium as playwright, type Browser } from '@playwright/test'
import { chromium } from './chromium'

/** A telephone: a browser with a home of its own, so that what it trusts is its own. */
export class Telephone {
  private readonly home = mkdtempSync(join(tmpdir(), 'telephone-'))
  private readonly store = `sql:${join(this.home, '.pki', 'nssdb')}`
  browser: Browser | null = null

  constructor() {
    mkdirSync(join(this.home, '.pki', 'nssdb'), { recursive: true })
    execFileSync('certutil', ['-d', this.store, '-N', '--empty-password'])
  }

  /** A page of it, as large as a telephone's. */
  async page() {
    this.browser ??= await playwright.launch({ ...chromium(), env: { ...process.env, HOME: this.home } })
    const context = await this.browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB' })
    return context.newPage()
  }

  /** Installs an authority, as the system's settings do; the browser has to be opened anew for it. */
  async trusts(certificate: Buffer) {
    const file = join(this.home, 'authority.crt')
    writeFileSync(file, certificate)
    execFileSync('certutil', ['-d', this.store, '-A', '-t', 'C,,', '-n', 'Even Reach', '-i', file])
    await this.browser?.close()
    this.browser = null
  }

  async putAway() {
    await this.browser?.close()
    rmSync(this.home, { recursive: true, force: true })
  }
}

/** A process of the test's own, and what it says. Resolves once it has said what is waited for. */
export function started(command: string, args: string[], env: Record<string, string>, until: string) {
  const child = spawn(command, args, { env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  return new Promise<{ said: () => string; stop: () => void }>((done, fail) => {
    const hear = (bytes: Buffer) => {
      said += String(bytes)
      if (said.includes(until)) done({ said: () => said, stop: () => child.kill() })
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('error', fail)
    child.on('exit', () => fail(new Error(`${command} ended: ${said}`)))
  })
}
