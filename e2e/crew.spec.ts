import Database from 'better-sqlite3'
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expectAxeClean, expectNoOverflow, kept } from './app'
import { expect, test, type Page } from './test'
import { started, Telephone } from './trust'

/** Opens the door and shows a code for one device. @returns the plain page's address and the words */
async function codeFor(page: Page, name: string, what: { does?: string; where?: string } = {}) {
  await page.goto('/crew')
  const open = page.getByRole('button', { name: 'Let other devices in' })
  await expect(open.or(page.getByRole('button', { name: 'Close it' }))).toBeVisible()
  if (await open.isVisible()) await open.click()
  await page.getByLabel('What you call the device').fill(name)
  const pick = async (label: string, option: string) => {
    await page.getByRole('combobox', { name: label }).click()
    await page.getByRole('option', { name: option }).click()
  }
  if (what.does) await pick('What it does', what.does)
  if (what.where) await pick('Where in it', what.where)
  await page.getByRole('button', { name: 'Show the code' }).click()
  await expect(page.getByRole('timer')).toContainText('Good once')
  const words = await page.getByRole('list', { name: 'The words' }).getByRole('listitem').allInnerTexts()
  const address = await page.locator('b', { hasText: /^http/ }).last().innerText()
  return { plain: address.replace(/\/$/, ''), words }
}

/** What a page of a device is answered when it asks by itself. */
const statusOf = (page: Page, method: string, path: string, body?: unknown) =>
  page.evaluate(
    async ([m, p, b]) =>
      (
        await fetch(p, {
          method: m,
          ...(b ? { body: b, headers: { 'content-type': 'application/json' } } : {}),
        })
      ).status,
    [method, path, body === undefined ? '' : JSON.stringify(body)] as const,
  )

const certificateAt = async (plain: string) =>
  Buffer.from(await (await fetch(`${plain}/even-reach-authority.crt`)).arrayBuffer())

test('a telephone is brought in, logs with no network, arrives at the desk, and is shut out', async ({
  page,
}) => {
  const telephone = new Telephone()
  try {
    const { plain, words } = await codeFor(page, 'Hill telephone', { where: 'Out there' })
    await expectAxeClean(page)
    // What the camera reads: the words stand behind the #.
    const scanned = `${plain}/#${words.join('-')}`
    const wary = await telephone.page()
    await wary.goto(scanned)
    await expect(wary.getByRole('status')).toHaveText(
      'This device does not trust the desk yet: three steps, once.',
    )
    await expectNoOverflow(wary)
    await expectAxeClean(wary)
    await telephone.trusts(await certificateAt(plain))

    const field = await telephone.page()
    await field.goto(scanned)
    // It trusts the desk now, and goes on by itself: paired, and on to its own start page.
    await expect(field.getByRole('heading', { name: 'Runs on this device' })).toBeVisible()
    await expect(field.getByText('Hill telephone, in reach of the desk')).toBeVisible()
    await expect(field.getByText(/you are out there/)).toBeVisible()
    await expect(page.getByText('Hill telephone is in.')).toBeVisible()
    expect(await field.evaluate(() => [window.isSecureContext, document.cookie])).toEqual([true, ''])
    await kept(field)
    await field.getByRole('button', { name: /^Take .* along$/ }).click()
    await field.getByRole('link', { name: /^Open / }).click()
    await expect(field.getByRole('button', { name: 'Not heard', exact: true })).toBeEnabled()

    await field.context().setOffline(true)
    await field.getByRole('button', { name: 'Not heard', exact: true }).click()
    await expect(field.getByRole('status').first()).toContainText(/logged/i)
    await field.reload()
    await expect(field.getByRole('button', { name: 'Not heard', exact: true })).toBeEnabled()
    await field.getByRole('button', { name: 'Not heard', exact: true }).click()
    await field.context().setOffline(false)
    await field.evaluate(() => window.dispatchEvent(new Event('online')))

    const { lines } = (await (await page.request.get('/api/board')).json()) as {
      lines: { name: string; runs: { trialId: string }[] }[]
    }
    const trialId = lines.find((l) => l.name === 'Hill telephone')!.runs[0]!.trialId
    await page.goto(`/trials/${trialId}/field`)
    const out = page.getByRole('region', { name: 'Who is out' }).getByRole('row', { name: /Hill telephone/ })
    await expect(out).toContainText('2 checks')
    await expect(out).toContainText('all here')
    await expect(out.getByRole('combobox')).toHaveText('Out there')
    await expectAxeClean(page)

    // The third arrives while the desk looks on, without a reload.
    await field.getByRole('button', { name: 'Not heard', exact: true }).click()
    await expect(out).toContainText('3 checks')

    await page.goto('/crew')
    const row = page.getByRole('row', { name: /Hill telephone/ })
    await row.getByRole('button', { name: 'Shut out Hill telephone' }).click()
    await row.getByRole('button', { name: 'Yes, shut out Hill telephone' }).click()
    await expect(row).toContainText('shut out just now')
    await field.getByRole('button', { name: 'Not heard', exact: true }).click()
    await expect(field.getByRole('alert').filter({ hasText: 'not let in' })).toBeVisible()
    await expect(field.getByText(/what is on it can be written to a file/)).toBeVisible()
    await field.goto(`${new URL(field.url()).origin}/field`)
    await expect(field.getByText('1 entry only on this device')).toBeVisible()
    expect(await statusOf(field, 'GET', '/api/board')).toBe(401)
  } finally {
    await telephone.putAway()
  }
})

test('wrong words, words that are over and words that were used bring nobody in', async ({ page }, {
  parallelIndex,
}) => {
  const telephone = new Telephone()
  try {
    const { plain, words } = await codeFor(page, 'Late telephone')
    await telephone.trusts(await certificateAt(plain))
    const field = await telephone.page()
    await field.goto(plain)
    await field.waitForURL(/\/pair$/)
    const said = field.getByRole('alert').filter({ hasText: /./ })
    const tryWords = async (typed: string) => {
      await field.getByLabel('The six words').fill(typed)
      const answered = field.waitForResponse('**/api/pair')
      await field.getByRole('button', { name: 'Bring it in' }).click()
      await answered
    }
    await tryWords('five words are too few')
    await expect(said).toContainText('A code is six words')
    await tryWords('acorn acorn acorn acorn acorn acorn')
    await expect(said).toContainText('No device is waited for with these words')
    // As it is eleven minutes later.
    const db = new Database(`test-results/db/${parallelIndex}/demo.db`)
    db.prepare('update pairing set expires_at = ? where used_at is null').run('2026-01-01T00:00:00.000Z')
    db.close()
    await tryWords(words.join(' '))
    await expect(said).toContainText('good for ten minutes, which are over')
    // Three of the five are tried; a test before this one may have tried some more.
    for (let i = 0; i < 3; i++) await tryWords('acorn acorn acorn acorn acorn acorn')
    await expect(said).toContainText('five times within a minute')
    await expectAxeClean(field)
    // What it may not see it does not see: it is led to where it can come in.
    await field.goto(new URL(field.url()).origin)
    await expect(field.getByRole('heading', { name: 'Bring this device in' })).toBeVisible()
  } finally {
    await telephone.putAway()
  }
})

test('behind a server of one’s own, devices come in by its name', async ({ browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'front-'))
  const [port, frontPort, tlsPort] = [3481, 3482, 3483]
  const origin = `https://radio.localhost:${tlsPort}`
  const ends: (() => void)[] = []
  try {
    execFileSync('openssl', [
      ...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes', '-days', '2'],
      ...['-subj', '/CN=radio.localhost', '-addext', 'subjectAltName=DNS:radio.localhost'],
      ...['-keyout', join(folder, 'key.pem'), '-out', join(folder, 'cert.pem')],
    ])
    mkdirSync(join(folder, 'logs'))
    writeFileSync(
      join(folder, 'nginx.conf'),
      `daemon off; pid ${folder}/pid; error_log stderr notice; events {}
      http { access_log off; client_body_temp_path ${folder}/body; proxy_temp_path ${folder}/proxy;
        fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s;
        server { listen 127.0.0.1:${tlsPort} ssl; server_name radio.localhost;
          ssl_certificate ${folder}/cert.pem; ssl_certificate_key ${folder}/key.pem;
          client_max_body_size 140m;
          location / { proxy_pass http://127.0.0.1:${frontPort}; proxy_http_version 1.1;
            proxy_set_header Host $http_host; proxy_set_header X-Forwarded-For $remote_addr;
            proxy_set_header Connection ''; proxy_buffering off; proxy_read_timeout 1h; } } }`,
    )
    const env = {
      NODE_ENV: 'production',
      PORT: String(port),
      EVEN_REACH_FRONT_PORT: String(frontPort),
      EVEN_REACH_ORIGIN: origin,
      EVEN_REACH_DB: join(folder, 'data.db'),
    }
    const server = await started(process.execPath, ['build/server.cjs'], env, 'Ready')
    ends.push(server.stop)
    const nginx = await started('nginx', ['-c', join(folder, 'nginx.conf'), '-p', folder], {}, 'start worker')
    ends.push(nginx.stop)

    const desk = await (await browser.newContext()).newPage()
    await desk.goto(`http://127.0.0.1:${port}/crew`)
    await expect(desk.getByText(`Devices come in by ${origin}`)).toBeVisible()
    await desk.getByLabel('What you call the device').fill('A screen far off')
    await desk.getByRole('combobox', { name: 'What it does' }).click()
    await desk.getByRole('option', { name: 'Looks on' }).click()
    await desk.getByRole('button', { name: 'Show the code' }).click()
    await expect(desk.getByRole('timer')).toContainText('Good once')
    const words = await desk.getByRole('list', { name: 'The words' }).getByRole('listitem').allInnerTexts()

    const far = await (await browser.newContext({ ignoreHTTPSErrors: true })).newPage()
    await far.goto(origin)
    await expect(far).toHaveURL(`${origin}/pair`)
    await far.getByLabel('The six words').fill(words.join(' '))
    await far.getByRole('button', { name: 'Bring it in' }).click()
    await expect(far.getByRole('heading', { name: 'Trials', level: 1 })).toBeVisible()
    // It looks on: it changes nothing, and does not see who else was brought in.
    expect(await statusOf(far, 'GET', '/crew')).toBe(403)
    expect(await statusOf(far, 'PUT', '/api/units', { units: 'imperial' })).toBe(403)
    // A server in front that was not told which door is its own gets nowhere.
    const astray = await far.request.get(`http://127.0.0.1:${port}/`, {
      headers: { 'x-forwarded-for': '192.0.2.9' },
    })
    expect(astray.status()).toBe(403)
  } finally {
    for (const end of ends) end()
    rmSync(folder, { recursive: true, force: true })
  }
})
