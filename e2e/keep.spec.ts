import { writeFileSync } from 'node:fs'
import { expectAxeClean, expectNoOverflow } from './app'
import { expect, test } from './test'
import { started } from './trust'

test('everything is backed up, and put back after it was seen what would change', async ({ page }, info) => {
  await page.goto('/keep')
  await expectAxeClean(page)
  const coming = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Write the backup' }).click()
  const download = await coming
  expect(download.suggestedFilename()).toMatch(/^even-reach-[\d-]+\.zip$/)
  const file = info.outputPath('backup.zip')
  await download.saveAs(file)

  await page.goto('/')
  await page.getByLabel('Name of the trial').fill('Begun after the backup')
  await page.getByRole('button', { name: 'Start this trial' }).click()
  await page.waitForURL(/\/kit$/)

  await page.goto('/keep')
  await expect(page.getByText(/The last backup was made just now/)).toBeVisible()
  const choose = page.getByLabel('A backup’s file')
  const damaged = info.outputPath('damaged.zip')
  writeFileSync(damaged, 'PK but no archive')
  await choose.setInputFiles(damaged)
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was changed' })).toContainText('no backup')
  await choose.setInputFiles(file)
  const trials = page.getByRole('row', { name: /^Trials/ })
  await expect(trials).toBeVisible({ timeout: 60_000 })
  const [there, here] = (await trials.getByRole('cell').allInnerTexts()).map(Number)
  expect(here).toBe(there! + 1)
  await expect(page.getByText('It holds every run and entry that is here.')).toBeVisible()
  await page.setViewportSize({ width: 360, height: 740 })
  await expectNoOverflow(page)
  await page.getByRole('button', { name: 'Put it in the place of what is here' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'The backup is in place' })).toBeVisible()

  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Trials', level: 1 })).toBeVisible()
  await expect(page.getByText('Begun after the backup')).toHaveCount(0)
})

test('a trial is carried over as a bundle to a place that has none of it', async ({
  page,
  browser,
}, info) => {
  await page.goto('/keep')
  await page.getByRole('combobox', { name: 'What' }).click()
  await page.getByRole('option', { name: 'Short or long antenna' }).click()
  const coming = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Write the bundle' }).click()
  const file = info.outputPath('bundle.zip')
  await (await coming).saveAs(file)

  const port = '3491'
  const env = { NODE_ENV: 'production', PORT: port, EVEN_REACH_DB: info.outputPath('elsewhere.db') }
  const server = await started(process.execPath, ['build/server.cjs'], env, 'Ready')
  try {
    const elsewhere = await (await browser.newContext()).newPage()
    const at = (path: string) => elsewhere.goto(`http://127.0.0.1:${port}${path}`)
    await at('/keep')
    await elsewhere.getByLabel('A bundle’s file').setInputFiles(file)
    await expect(elsewhere.getByText(/1 trial.* would come in\./)).toBeVisible({ timeout: 60_000 })
    await elsewhere.getByRole('button', { name: 'Take it in' }).click()
    await expect(elsewhere.getByRole('status', { name: 'What came of the bundle' })).toContainText('1 trial')
    await at('/')
    await elsewhere.getByRole('link', { name: /^Short or long antenna/ }).click()
    await expect(elsewhere.getByRole('heading', { name: 'Findings', level: 1 })).toBeVisible()
    await at('/keep')
    await elsewhere.getByLabel('A bundle’s file').setInputFiles(file)
    await expect(elsewhere.getByText('Everything in it is here already.')).toBeVisible({ timeout: 60_000 })
  } finally {
    server.stop()
  }
})
