import { expect, test, type Page } from './test'
import { openTrial } from './app'

async function openField(page: Page) {
  const trial = await openTrial(page, 'Four or eight')
  await page.goto(`${trial}/field`)
  await page.getByRole('link', { name: 'Go on logging' }).last().click()
  await page.waitForURL(/\/field\?run=/)
  await expect(page.getByRole('button', { name: 'Not heard', exact: true })).toBeEnabled()
}
const done = async (page: Page) =>
  Number(/(\d+) of \d+ checks/.exec((await page.locator('header').textContent())!)![1])

test('taps log, undo voids and asks again, nothing is lost on reload', async ({ page }) => {
  await openField(page)
  const before = await done(page)
  const rig = await page.getByRole('heading', { level: 1 }).textContent()
  await page.getByRole('button', { name: 'Readability 4' }).click()
  await page.getByRole('button', { name: 'Strength 9' }).click()
  await page.getByRole('button', { name: /over nine/ }).click()
  await page.getByRole('button', { name: 'Again' }).click()
  await page.getByRole('button', { name: 'Log it' }).click()
  await expect(page.getByRole('status')).toContainText('4 by 9+10')
  expect(await done(page)).toBe(before + 1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('status')).toContainText(
    /Undone: .+ at \w+, 4 by 9\+10\. It stays listed as void\./,
  )
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(rig!)
  expect(await done(page)).toBe(before)
  await page.getByRole('button', { name: 'Not heard', exact: true }).click()
  await expect(page.getByText('all saved')).toBeVisible()
  await page.reload()
  await expect(page.getByText(`${before + 1} of`)).toBeVisible()
  await page.getByRole('button', { name: 'More' }).click()
  await page.locator('summary', { hasText: 'The log' }).click()
  await expect(page.getByText('void: undone')).toBeVisible()
})

test('undo takes what is in hand first, and only what this device logged; a report half made survives a reload', async ({
  page,
}) => {
  await openField(page)
  const before = await done(page)
  // The demo's own log is of other devices.
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
  await page.getByRole('button', { name: 'Readability 3' }).click()
  await page.getByRole('button', { name: 'Again' }).click()
  await page.getByRole('button', { name: 'Again (2)' }).click()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Again (3)' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Readability 3' })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('status')).toContainText('Back to call 2. Nothing logged was touched.')
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('status')).toContainText('Cleared. Nothing logged was touched.')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
  expect(await done(page)).toBe(before)
})

test('a finger that trembles logs one check', async ({ page }) => {
  await openField(page)
  const before = await done(page)
  const notHeard = page.getByRole('button', { name: 'Not heard', exact: true })
  await notHeard.dblclick({ delay: 20 })
  await expect(page.getByText(`${before + 1} of`)).toBeVisible()
  // A key is no finger: it logs again at once, and what the two made is all there is.
  await page.keyboard.press('n')
  await expect(page.getByText(`${before + 2} of`)).toBeVisible()
  await expect(page.getByText('all saved')).toBeVisible()
  expect(await done(page)).toBe(before + 2)
})

test('a check is voided with a reason and stays listed; a mark is added, spacing changed, a check skipped', async ({
  page,
}) => {
  await openField(page)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.getByRole('button', { name: 'Back to the log' }).click()
  await page.getByRole('button', { name: 'More' }).click()
  const menu = page.getByRole('dialog')
  await menu.locator('summary', { hasText: 'The log' }).click()
  await menu
    .getByRole('button', { name: /^Void R01/ })
    .first()
    .click()
  await menu.getByLabel('Why it does not count').fill('Wrong antenna on')
  await menu.getByRole('button', { name: 'Void it' }).click()
  // A second try finds the first one's beside it.
  await expect(menu.getByText('void: Wrong antenna on').first()).toBeVisible()

  await menu.getByLabel('A mark every (m)').fill('0')
  await menu.getByRole('button', { name: 'Change the spacing' }).click()
  await expect(menu.getByText('The spacing must be a number above 0.')).toBeVisible()
  await menu.getByLabel('A mark every (m)').fill('1000')
  await menu.getByRole('button', { name: 'Change the spacing' }).click()
  await expect(page.getByText(/of 3\d checks/)).toBeVisible()

  await page.getByRole('button', { name: 'More' }).click()
  await menu.getByRole('button', { name: 'Add this mark' }).click()
  await expect(menu.getByText('Name the mark.')).toBeVisible()
  await menu.getByLabel('Name of the mark').fill('Gate')
  await menu.getByLabel('Distance (km)').fill('3,1')
  await menu.getByRole('button', { name: 'Add this mark' }).click()
  await expect(page.locator('header')).toContainText('Gate')
  await expect(page.locator('header')).toContainText('3.1 km')
  // The header follows before the sheet is gone, and a sheet keeps the keys to itself.
  await expect(menu).toBeHidden()
  const before = await done(page)
  await page.keyboard.press('s')
  await expect(page.getByRole('status')).toContainText('Skipped')
  expect(await done(page)).toBe(before + 1)
})

test('a log made without the server waits on the device and goes out by itself', async ({
  page,
  context,
}) => {
  await openField(page)
  await context.setOffline(true)
  // A service worker that is just starting is told a moment later.
  await expect
    .poll(() => page.evaluate(() => fetch('/api/me', { cache: 'no-store' }).then(String, () => 'away')))
    .toBe('away')
  await page.keyboard.press('n')
  await expect(page.getByText(/\d only on this device/)).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText('all saved')).toBeVisible({ timeout: 20_000 })
})

test('the server refuses entries that are none, and says which part', async ({ page }) => {
  await openField(page)
  const run = new URL(page.url()).searchParams.get('run')
  const own = { origin: new URL(page.url()).origin }
  const bad = await page.request.post(`/api/runs/${run}/entries`, {
    data: { entries: [{ id: 'x' }] },
    headers: own,
  })
  expect(bad.status()).toBe(200)
  expect((await bad.json()).refused[0].why).toContain('UUID')
  // Another page, or another program, changes nothing, and by a foreign name nothing is read.
  const foreign = { origin: 'https://elsewhere.example' }
  const posted = await page.request.post(`/api/runs/${run}/entries`, {
    data: { entries: [] },
    headers: foreign,
  })
  expect(posted.status()).toBe(403)
  expect((await page.request.post(`/api/runs/${run}/entries`, { data: { entries: [] } })).status()).toBe(403)
  const named = await page.request.get('/', { headers: { host: 'elsewhere.example' } })
  expect(named.status()).toBe(403)
  const answer = await page.request.get('/')
  expect(answer.headers()['content-security-policy']).toContain("frame-ancestors 'none'")
  expect((await page.request.post(`/api/runs/none/entries`, { data: {}, headers: own })).status()).toBe(404)
})
