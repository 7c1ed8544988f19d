import { expect, test, type Page } from './test'
import { kept, openTrial } from './app'

const breakdown = (page: Page) =>
  page.getByRole('region', { name: 'Does the log hold together', exact: true })

test('once the parts are kept on the device, what is worked out beside the page still is', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const broken: string[] = []
  page.on('pageerror', (e) => broken.push(e.message))
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings/changes`)
  await kept(page)
  await page.reload()
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  await expect(breakdown(page)).toBeVisible({ timeout: 90_000 })

  await page.goto(`${trial}/ground`)
  await page.getByText('Its marks').nth(1).click()
  await page.getByRole('button', { name: 'Profile to T12' }).click()
  const profile = page.getByRole('region', { name: 'Profile' })
  await expect(profile.getByText(/Shadowed: \d+ m of ground in the way/)).toBeVisible({ timeout: 30_000 })

  await page.goto(`${trial}/plan`)
  await page.getByRole('button', { name: 'Try it in a simulated field' }).click()
  const share = page.getByRole('progressbar', { name: 'Trying the plan' })
  await expect
    .poll(() => share.evaluate((e: HTMLProgressElement) => e.value), { timeout: 60_000 })
    .toBeGreaterThan(0)
  expect(broken).toEqual([])
})

test.describe('where workers cannot be started', () => {
  test.use({ serviceWorkers: 'block' })

  test('the ground says so, and everything else is there', async ({ page }) => {
    await page.route('**/turbopack-worker*', (route) => route.abort())
    const trial = await openTrial(page, 'Short or long')
    await page.goto(`${trial}/findings`)
    await expect(page.getByText(/^Long whip is better than Stub whip by/).first()).toBeVisible()
    await page.goto(`${trial}/findings/changes`)
    await expect(breakdown(page)).toBeVisible({ timeout: 90_000 })
    await page.goto(`${trial}/ground`)
    await expect(page.getByText('The ground is stored and cannot be read here')).toBeVisible()
    await expect(page.getByRole('region', { name: /marks/ }).first()).toBeVisible()
  })
})
