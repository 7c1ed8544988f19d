import { execFileSync } from 'node:child_process'
import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer, request } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { credentials, type Credentials } from './authority'

const NAMES = { addresses: ['192.0.2.2', '192.168.7.4', 'fd00::2'], hosts: ['desk.local', 'desk'] }
const DAY = 24 * 3_600_000

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'crew-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

/** What OpenSSL, which shares nothing with what made them, says of a certificate for a name. */
function verified({ authority, cert }: Credentials, ...more: string[]): string {
  writeFileSync(join(folder, 'a.pem'), authority)
  writeFileSync(join(folder, 's.pem'), cert)
  const args = ['verify', '-x509_strict', '-purpose', 'sslserver', '-CAfile', join(folder, 'a.pem'), ...more]
  try {
    return execFileSync('openssl', [...args, join(folder, 's.pem')], {
      encoding: 'utf8',
      stdio: 'pipe',
    }).trim()
  } catch (e) {
    return String((e as { stderr: string }).stderr)
  }
}

describe('the machine’s own authority', () => {
  it('makes a certificate that OpenSSL takes for its names and addresses, and for no other', async () => {
    const made = await credentials(folder, NAMES)
    for (const name of ['desk', 'desk.local', 'localhost'])
      expect(verified(made, '-verify_hostname', name)).toMatch(/OK$/)
    for (const address of [...NAMES.addresses, '127.0.0.1'])
      expect(verified(made, '-verify_ip', address)).toMatch(/OK$/)
    expect(verified(made, '-verify_hostname', 'elsewhere.example')).toMatch(/hostname mismatch/i)
    expect(verified(made, '-verify_ip', '192.168.7.5')).toMatch(/IP address mismatch/i)
  })

  it('opens a connection that is trusted by who has the authority’s certificate, and by nobody else', async () => {
    const made = await credentials(folder, NAMES)
    const server = createServer(made, (_, res) => res.end('here'))
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    const { port } = server.address() as AddressInfo
    const ask = (ca?: string) =>
      new Promise<string>((done) => {
        request({ host: '127.0.0.1', port, ca, agent: false }, (res) => {
          res.on('data', (b) => done(String(b)))
        })
          .on('error', (e) => done((e as Error & { code: string }).code))
          .end()
      })
    expect(await ask(made.authority)).toBe('here')
    expect(await ask()).toMatch(/UNABLE_TO_VERIFY|SELF_SIGNED/)
    server.close()
  })

  it('can speak for rooms and homes alone', async () => {
    const now = Date.now()
    await credentials(folder, NAMES, now)
    // As somebody would who got hold of its key.
    writeFileSync(
      join(folder, 'names.json'),
      JSON.stringify({ authority: { addresses: ['198.51.100.7'], hosts: ['bank.example'] }, server: null }),
    )
    const forged = await credentials(folder, { addresses: ['198.51.100.7'], hosts: ['bank.example'] }, now)
    expect(verified(forged)).toMatch(/permitted subtree violation/)
  })

  it('keeps its keys to itself', async () => {
    await credentials(folder, NAMES)
    const files = readdirSync(folder).filter((f) => /key|crt|json/.test(f))
    expect(files.sort()).toEqual(['authority.crt', 'authority.key', 'names.json', 'server.crt', 'server.key'])
    for (const f of files) expect(statSync(join(folder, f)).mode & 0o77).toBe(0)
  })

  it('stays as it is from one start to the next', async () => {
    const first = await credentials(folder, NAMES)
    expect(await credentials(folder, NAMES)).toEqual(first)
    expect(first.fingerprint).toBe(new X509Certificate(first.authority).fingerprint256)
  })

  it.each([
    ['an address more of a room', { ...NAMES, addresses: [...NAMES.addresses, '10.0.0.9'] }, 0, true],
    ['a month before its certificate ends', NAMES, 370 * DAY, true],
    ['another name of the machine', { ...NAMES, hosts: ['hut.local', 'hut'] }, 0, false],
    ['an address that is not of a room', { ...NAMES, addresses: ['203.0.113.5'] }, 0, false],
    ['a month before the authority itself ends', NAMES, 3630 * DAY, false],
  ])('%s: a new certificate', async (_, names, later, sameAuthority) => {
    const now = Date.now()
    const first = await credentials(folder, NAMES, now)
    const then = await credentials(folder, names, now + later)
    expect(then.cert).not.toBe(first.cert)
    expect(then.fingerprint === first.fingerprint).toBe(sameAuthority)
    expect(then.endsAt).toBeGreaterThan(now + later + 360 * DAY)
  })
})
