import { expect, test, type Page } from './test'
import { closeKnobs, copied, expectAxeClean, expectNoOverflow, openKnobs, openTrial } from './app'

// Findings of a run take the server a second or two, and several on a slow machine.
const slowly = expect.configure({ timeout: 40_000 })
const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true })

test('which checks are used can be chosen, each with its reason, and taken back; runs are put together', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings/checks`)
  const used = page.getByText(/^Checks used: this run/)
  await slowly(used).toContainText('this run; all that is known evened, height left in')
  let knobs = await openKnobs(page)
  const out = knobs.getByRole('region', { name: 'Left out' })
  await out.getByRole('button', { name: 'Leave it out' }).click()
  await expect(out).toContainText('Choose what is to be left out.')
  await expect(out).toContainText('Say why, such as: plug was loose.')
  await out.getByLabel('Leave out a leg, a mark or a check').fill('S03')
  await page.getByRole('option', { name: 'S03', exact: true }).click()
  await out.getByLabel('Why').fill('a lorry stood in the way')
  await out.getByLabel('Why').press('Enter')
  await closeKnobs(knobs)
  await slowly(used).toContainText('1 left out')
  await slowly(page.getByText(/left out: by your choice: a lorry stood in the way/)).toBeVisible()
  // It is in the address, so that it can be sent on; and it goes back.
  await page.reload()
  await slowly(page.getByText(/left out: by your choice: a lorry stood in the way/)).toBeVisible()
  knobs = await openKnobs(page)
  await knobs.getByRole('button', { name: 'Put it back' }).click()
  await closeKnobs(knobs)
  await slowly(used).toContainText('nothing left out')

  knobs = await openKnobs(page)
  await knobs.getByLabel('power', { exact: true }).click()
  await closeKnobs(knobs)
  await slowly(used).toContainText('lead loss, antenna gain, attenuator evened')
  knobs = await openKnobs(page)
  await knobs.getByLabel('power', { exact: true }).click()
  await knobs.getByLabel('One S-unit of every meter').click()
  await page.getByRole('option', { name: '4.5 dB' }).click()
  await knobs.getByLabel(/^Half round, end of March/).click()
  await closeKnobs(knobs)
  await slowly(used).toContainText('this run and 1 more')
  await expect(used).toContainText('S-units of 4.5 dB')

  await page.getByRole('link', { name: 'When and where it changes' }).click()
  await expect(part(page, 'Does the log hold together')).toContainText(
    /Half round, end of March (ran|is not surely other:) [+−]\d+\.\d dB/,
    { timeout: 120_000 },
  )
  const holds = part(page, 'Where and when it holds')
  await expect(holds).toContainText('Shore road')
  const csv = await copied(page.getByRole('button', { name: 'Copy these differences as CSV' }))
  expect(csv.split('\r\n')[0]).toBe('by,part,a,b,difference,low90,high90,unit,marks,changes,flips')
  expect(csv).toMatch(/\r\nleg,[^,]+,Stub whip,Long whip,-\d/)
  const beside = part(page, 'Against the prediction')
  await expect(beside).toContainText('prediction')
  await expect(beside.locator('path.recharts-line-curve')).toBeVisible()
  expect(await beside.locator('g.intervals rect').count()).toBeGreaterThan(20)
  await expectAxeClean(page)
  await page.setViewportSize({ width: 360, height: 740 })
  await expectNoOverflow(page)
})

test('what to check next is named with what it is worth', async ({ page }) => {
  const trial = await openTrial(page, 'Jacket pocket')
  await page.goto(`${trial}/findings/next`)
  await slowly(
    page.getByText(/^To settle Jacket pocket against In the hand, check both there first: Q\d\d/),
  ).toBeVisible()
  await expect(page.getByRole('region', { name: 'What a visit is worth' }).first()).toContainText(/\d %/)
  await expectAxeClean(page)
})

test('checks are paged, and one log of many sends no more than one of few', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings/checks`)
  await slowly(page.getByText(/^Page 1 of \d/)).toBeVisible()
  await page.getByRole('link', { name: 'The next 30' }).click()
  await slowly(page.getByText(/^Page 2 of \d/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Checks', exact: true }).getByRole('row')).toHaveCount(31)
  await expectAxeClean(page)
})

test('a flip has the take-off beside it', async ({ page }) => {
  const trial = await openTrial(page, 'Dipole or vertical')
  await page.goto(`${trial}/findings/differences`)
  const sky = part(page, 'By way of the sky')
  const told = sky.getByText(/By their take-off they should change places at about \d+ km/)
  const before = await told.textContent()
  await expect(sky.locator('svg.recharts-surface')).toBeVisible()
  await sky.getByLabel('Quay vertical is').click()
  await page.getByRole('option', { name: 'a horizontal dipole' }).click()
  await slowly(page).toHaveURL(/sky=/)
  await slowly(sky).not.toContainText(before!)
  await page.getByRole('navigation', { name: 'Findings' }).getByRole('link', { name: 'How far' }).click()
  await slowly(page.getByText('It went by way of the sky, where no distance is a reach')).toBeVisible()
  await expect(page.getByText('Nothing is predicted before the day: below 30 MHz')).toBeVisible()
})

test('what each thing brought, and eight rigs against each other', async ({ page }) => {
  test.setTimeout(180_000)
  await page.goto(`${await openTrial(page, 'Mast first')}/findings/changes`)
  const brought = part(page, 'What each thing brought')
  await expect(brought).toContainText('(height at the base)', { timeout: 120_000 })
  await expect(brought).toContainText('always changed together')
  await page.goto(`${await openTrial(page, 'Antenna or mode')}/findings/differences`)
  const each = page.getByRole('figure', { name: 'Each against each' })
  await slowly(each.getByRole('row')).toHaveCount(5)
  await expectAxeClean(page)
  expect((await page.request.get('/trials/none/findings/options')).status()).toBe(404)
})

test('the findings print on one page, of A4 and of Letter', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings?floor=2000`)
  await page.getByRole('link', { name: 'One page to print' }).click()
  await page.waitForURL(/\/findings\/summary\?/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Short or long antenna')
  await slowly(part(page, 'Answer')).toContainText('Long whip is better than Stub whip')
  await expect(page.getByText('Checks used: this run')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'What to take' })).toBeVisible()
  for (const format of ['A4', 'Letter']) {
    const pdf = await page.pdf({
      format,
      margin: { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' },
    })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1)
  }
  // Asked what nobody has asked yet, the sheet comes before what it says.
  const sent = await (await page.request.get(`${trial}/findings/summary?margin=2.7`)).text()
  const [head, waits, says] = ['<h1', 'Working out what the log says', 'Checks used'].map((t) =>
    sent.indexOf(t),
  )
  expect(head).toBeGreaterThan(0)
  expect(waits).toBeGreaterThan(head!)
  expect(says).toBeGreaterThan(waits!)
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
  await page.getByRole('button', { name: 'Try it in a simulated field' }).click()
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  // Asked otherwise, what was under way ends, and is not there on the way back.
  const spread = async (name: RegExp) => {
    await page.getByLabel('Spread of a difference at a mark').click()
    await page.getByRole('option', { name }).click()
    await expect(page.getByRole('button', { name: 'Try it in a simulated field' })).toBeVisible()
  }
  await spread(/^large/)
  await spread(/^usual/)
  await spread(/^small/)
  await page.getByRole('button', { name: 'Try it in a simulated field' }).click()
  const said = page.getByText(/^As planned it would tell a difference of 3 dB in \d+ of 100\./)
  const told = page.getByText(/^in \d+ of 60 tries$/)
  // The plan itself is tried first, and told of while the others are tried.
  await expect(said).toBeVisible({ timeout: 150_000 })
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await expect(told).not.toHaveCount(6)
  // All of it: a sentence more, and a line for each.
  await expect(said).toHaveText(/of 100\. [A-Z\d].+\.$/, { timeout: 150_000 })
  await expect(told).toHaveCount(6)
})
