import { expect, test } from './test'
import { readFileSync } from 'node:fs'
import { copied, expectAxeClean, expectNoOverflow, openTrial } from './app'

test('what would not matter is said so, and the sizes stay', async ({ page }) => {
  const trial = await openTrial(page, 'Jacket pocket')
  await page.goto(`${trial}/findings`)
  const verdicts = page.getByRole('region', { name: 'Verdicts' })
  await expect(verdicts).toContainText('Cannot tell Jacket pocket from In the hand')
  const differences = page.getByRole('region', { name: 'Differences, Both directions together' })
  const size = await differences.textContent()
  await page.getByLabel('What difference matters').click()
  await page.getByRole('option', { name: '10 dB' }).click()
  await expect(verdicts).toContainText('Jacket pocket and In the hand are alike within 10 dB')
  expect(page.url()).toContain('margin=10')
  const sizes = /−?-?\d+\.\d dB/g
  expect((await differences.textContent())!.match(sizes)).toEqual(size!.match(sizes))
})

test('findings: knobs turned over the same log, the levels, where it flips, and a need held against the rigs', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings`)
  const verdicts = page.getByRole('region', { name: 'Verdicts' })
  await expect(verdicts).toContainText('Long whip is better than Stub whip')
  // Better at the same power over the same marks is farther, too.
  const reach = async (rig: string) => {
    const said = await verdicts.getByRole('listitem').filter({ hasText: rig }).textContent()
    const [, figure, unit] = /reaches about ([\d.]+) (k?m)/.exec(said!)!
    return Number(figure) * (unit === 'km' ? 1000 : 1)
  }
  expect(await reach('Long whip')).toBeGreaterThan(await reach('Stub whip'))

  await page.getByLabel('How often copied').click()
  await page.getByRole('option', { name: 'every other time' }).click()
  await expect(verdicts).toContainText('every other time')

  const byDistance = page.getByRole('region', { name: 'By distance' })
  await expect(byDistance).toContainText(
    /No flip inside what was tested|They change places|changes with distance/,
  )
  const levels = page.getByRole('region', { name: 'Levels' })
  await expect(levels).toContainText(/falls by \d+ dB a decade/)
  await expect(levels.locator('svg.recharts-surface')).toBeVisible()
  await levels.getByRole('button', { name: 'from base' }).click()
  await expect(page.getByRole('figure', { name: 'Level against distance, from base' })).toBeVisible()
  // What it draws: each rig's reports and its letter where its line ends.
  await expect(levels.locator('g.intervals')).toHaveCount(3)
  expect(await levels.locator('g.intervals rect').count()).toBeGreaterThan(20)
  for (const letter of ['A', 'B', 'C'])
    await expect(
      levels.locator('svg.recharts-surface text', { hasText: new RegExp(`^${letter}$`) }),
    ).toBeVisible()
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    levels.getByRole('button', { name: 'Save as SVG' }).click(),
  ])
  const text = readFileSync(await svg.path(), 'utf8')
  expect(text).toMatch(/^<svg[^>]*xmlns="http:\/\/www\.w3\.org\/2000\/svg"/)
  expect(text).toContain('distance, km')
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    levels.getByRole('button', { name: 'Save as PNG' }).click(),
  ])
  expect(
    readFileSync(await png.path())
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG')
  expect(await copied(levels.getByRole('button', { name: 'Copy its data as CSV' }))).toMatch(
    /^link,direction,distance_m,low_db,high_db,not_heard/,
  )

  const need = page.getByRole('region', { name: 'Is it enough', exact: true })
  await need.getByLabel('Copied out to').fill('-1')
  await expect(need).toContainText('Must be above 0 km')
  await expect(need.getByRole('button', { name: 'Hold it against the rigs' })).toBeDisabled()
  await need.getByLabel('Copied out to').fill('1,2')
  await need.getByLabel('Copied out to').press('Enter')
  await expect(need.getByRole('table')).toContainText('meets it')
  await expect(need).toContainText(/is the least that meets the need|surely meets the need/)
  await need.getByLabel('Copied out to').fill('30')
  await need.getByLabel('Copied out to').press('Enter')
  await expect(need).toContainText('None of them meets the need.')
  await need.getByLabel('Copied out to').fill('')
  await need.getByLabel('Area to cover').click()
  await page.getByRole('option', { name: 'Race course' }).click()
  await need.getByRole('button', { name: 'Hold it against the rigs' }).click()
  await expect(need.getByRole('table')).toContainText(
    /about \d+ % of Race course( \(\d+ to \d+\))? lies within its reach every other time/,
  )
  await expect(page).toHaveURL(/area=/)
  await expectAxeClean(page)
  await page.setViewportSize({ width: 360, height: 740 })
  await expectNoOverflow(page)
})
