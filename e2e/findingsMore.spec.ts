import { expect, test, type Page } from './test'
import { copied, expectAxeClean, expectNoOverflow, openTrial } from './app'

// Findings of a run take the server a second or two, and several on a slow machine.
const slowly = expect.configure({ timeout: 40_000 })
const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true })

test('what goes in can be chosen, each with its reason, and taken back; runs are put together', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings`)
  const choices = page.locator('details', { hasText: 'What goes in:' })
  await expect(choices).toContainText('this run; all that is known evened, height left in')
  await choices.locator('summary').press('Enter')

  const out = part(page, 'Left out')
  await out.getByRole('button', { name: 'Leave it out' }).click()
  await expect(out).toContainText('Choose what is to be left out.')
  await expect(out).toContainText('Say why, such as: plug was loose.')
  await out.getByLabel('Leave out a leg, a mark or a check').fill('S03')
  await page.getByRole('option', { name: 'S03', exact: true }).click()
  await out.getByLabel('Why').fill('a lorry stood in the way')
  await out.getByLabel('Why').press('Enter')
  await expect(choices).toContainText('1 left out')
  await slowly(page.getByText(/left out: by your choice: a lorry stood in the way/)).toBeVisible()
  // It is in the address, so that it can be sent on; and it goes back.
  await page.reload()
  await slowly(page.getByText(/left out: by your choice: a lorry stood in the way/)).toBeVisible()
  await choices.locator('summary').click()
  await out.getByRole('button', { name: 'Put it back' }).click()
  await expect(choices).toContainText('nothing left out')

  const differences = page.getByRole('region', { name: 'Differences, To base' })
  await slowly(differences).toContainText('power and lead loss taken out')
  await choices.getByLabel('power', { exact: true }).click()
  await expect(choices).toContainText('lead loss, antenna gain, attenuator evened')
  await slowly(differences).not.toContainText('power and lead loss taken out')
  await choices.getByLabel('power', { exact: true }).click()
  await choices.getByLabel('One S-unit of every meter').click()
  await page.getByRole('option', { name: '4.5 dB' }).click()
  await expect(choices).toContainText('S-units of 4.5 dB')

  await choices.getByLabel(/^Half round, end of March/).click()
  await expect(choices).toContainText('this run and 1 more')
  const together = part(page, 'Does the log hold together')
  await expect(together).toContainText(/Half round, end of March (ran|is not surely other:) [+−]\d+\.\d dB/, {
    timeout: 120_000,
  })
  await expect(part(page, 'Where and when it holds')).toContainText('By leg')
  const csv = await copied(page.getByRole('button', { name: 'Copy these differences as CSV' }))
  expect(csv.split('\r\n')[0]).toBe('by,part,a,b,difference,low90,high90,unit,marks,changes,flips')
  expect(csv).toMatch(/\r\nleg,[^,]+,Stub whip,Long whip,-\d/)
  await expect(part(page, 'Against the prediction')).toContainText('prediction')
  const beside = part(page, 'Against the prediction')
  await expect(beside.locator('path.recharts-line-curve')).toBeVisible()
  expect(await beside.locator('g.intervals rect').count()).toBeGreaterThan(20)
  await expect(part(page, 'What to check next')).toContainText('They tell most from')

  const claims = part(page, 'Claims and facts')
  await claims.getByLabel('Claimed for Long whip').fill('far')
  await expect(claims.getByRole('button', { name: 'Hold it against the log' })).toBeDisabled()
  await claims.getByLabel('Claimed for Long whip').fill('40')
  await claims.getByLabel('Claimed for Long whip').press('Enter')
  await slowly(claims).toContainText('Long whip, claimed 40 km: does not hold here; found here: about')
  await expectAxeClean(page)
  await page.setViewportSize({ width: 360, height: 740 })
  await expectNoOverflow(page)
})

test('a flip is told before a winner, with the take-off beside it', async ({ page }) => {
  const trial = await openTrial(page, 'Dipole or vertical')
  await page.goto(`${trial}/findings`)
  await expect(part(page, 'Verdicts')).toContainText(
    'Low dipole and Quay vertical change places: Low dipole is ahead near the base, Quay vertical far out',
  )
  const sky = part(page, 'By way of the sky')
  const told = sky.getByText(/By their take-off they should change places at about \d+ km/)
  const before = await told.textContent()
  await expect(sky.locator('svg.recharts-surface')).toBeVisible()
  await sky.getByLabel('Quay vertical is').click()
  await page.getByRole('option', { name: 'a horizontal dipole' }).click()
  await slowly(page).toHaveURL(/sky=/)
  await slowly(sky).not.toContainText(before!)
  await expect(page.getByText('Nothing is expected beforehand: below 30 MHz')).toBeVisible()
})

test('step by step at both ends, and what each thing brought', async ({ page }) => {
  test.setTimeout(180_000)
  const trial = await openTrial(page, 'Mast first')
  await page.goto(`${trial}/findings`)
  const steps = part(page, 'Verdicts').getByRole('list', { name: 'Step by step' })
  await expect(steps.getByRole('listitem').first()).toContainText(
    'At the base, Race Control, 8 m mast instead of Race Control, 4 m mast (with Long whip)',
  )
  const brought = part(page, 'What each thing brought')
  await expect(brought).toContainText('(height at the base) brought', { timeout: 120_000 })
  await expect(brought).toContainText('always changed together')
  await page.goto(`${trial}/findings/breakdown?run=none&step=quite`)
  expect((await page.request.get('/trials/none/findings/breakdown')).status()).toBe(404)
})

test('the findings print on one page', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings?floor=2000`)
  await page.getByRole('link', { name: 'One page to print' }).click()
  await page.waitForURL(/\/findings\/summary\?/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Short or long antenna')
  await expect(part(page, 'Verdicts')).toContainText('Long whip is better than Stub whip')
  await expect(page.getByText('What went in: this run')).toBeVisible()
  const pdf = await page.pdf({
    format: 'A4',
    margin: { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' },
  })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1)
  await page.getByRole('link', { name: 'Back to the findings' }).click()
  await page.waitForURL(/\/findings\?.*floor=2000/)
})

test('the plan is tried in a simulated field before anybody walks', async ({ page }) => {
  test.setTimeout(180_000)
  const trial = await openTrial(page, 'Four or eight')
  await page.goto(`${trial}/plan`)
  await page.getByRole('button', { name: 'Try it in a simulated field' }).click()
  await expect(page.getByRole('progressbar', { name: 'Trying the plan' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  await page.getByLabel('Spread of a difference at a mark').click()
  await page.getByRole('option', { name: /^small/ }).click()
  await page.getByRole('button', { name: 'Try it in a simulated field' }).click()
  await expect(page.getByText(/As planned it would tell a difference of 3 dB in \d+ of 100\./)).toBeVisible({
    timeout: 150_000,
  })
  await expect(page.getByText(/in \d+ of 60 tries/).first()).toBeVisible()
})
