import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { expect, it, onTestFinished } from 'vitest'
import { compressedAhead } from '../../scripts/compressedAhead.mjs'
import { withBuiltFiles } from './builtFiles'

const SCRIPT = 'let far = 1;'.repeat(200)

async function served() {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-built-'))
  mkdirSync(join(folder, 'static', 'chunks'), { recursive: true })
  writeFileSync(join(folder, 'secret.js'), 'secret')
  writeFileSync(join(folder, 'static', 'chunks', 'long.js'), SCRIPT)
  writeFileSync(join(folder, 'static', 'chunks', 'short.js'), 'let near = 1')
  await compressedAhead(join(folder, 'static'))
  const server = createServer(
    withBuiltFiles(join(folder, 'static'), ({ method, url }, response) =>
      response.end(`else ${method} ${url}`),
    ),
  )
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  onTestFinished(() => {
    server.close()
    rmSync(folder, { recursive: true, force: true })
  })
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return (path: string, encodings: string, more: RequestInit = {}) =>
    fetch(base + path, { ...more, headers: { 'accept-encoding': encodings, ...more.headers } })
}

it('sends what lies compressed to whoever takes it, for good', async () => {
  const get = await served()
  const sent = await get('/_next/static/chunks/long.js', 'gzip, deflate, br, zstd')
  expect(Object.fromEntries(sent.headers)).toMatchObject({
    'content-encoding': 'br',
    'content-length': String(brotliCompressSync(SCRIPT).length),
    'content-type': 'text/javascript',
    'cache-control': 'public,max-age=31536000,immutable',
    vary: 'Accept-Encoding',
  })
  expect(await sent.text()).toBe(SCRIPT)
  const older = await get('/_next/static/chunks/long.js', 'gzip')
  expect(older.headers.get('content-encoding')).toBe('gzip')
  expect(older.headers.get('content-length')).toBe(String(gzipSync(SCRIPT, { level: 9 }).length))
  for (const [name, says] of [
    ['long', SCRIPT],
    ['short', 'let near = 1'],
  ]) {
    const plain = await get(`/_next/static/chunks/${name}.js`, 'identity')
    expect(plain.headers.get('content-encoding')).toBeNull()
    expect(await plain.text()).toBe(says)
  }
  const tag = sent.headers.get('etag')!
  const again = await get('/_next/static/chunks/long.js', 'br', { headers: { 'if-none-match': tag } })
  expect(again.status).toBe(304)
})

it('leaves to others what it has not, and what is not asked for', async () => {
  const get = await served()
  for (const path of [
    '/_next/static/chunks/gone.js?v=1',
    '/_next/static/..%2Fsecret.js',
    '/other',
    '/_next/static/%',
  ])
    expect(await (await get(path, 'br')).text()).toBe(`else GET ${path}`)
  const posted = await get('/_next/static/chunks/long.js', 'br', { method: 'POST' })
  expect(await posted.text()).toBe('else POST /_next/static/chunks/long.js')
})
