import { expect, test, type Page } from './test'
import { copied } from './app'

async function addRig(page: Page, rig: { name: string; kind?: string; power: string; height: string }) {
  await page.getByRole('button', { name: 'Enter figures only' }).click()
  const form = page.locator('form')
  await form.getByLabel('Name').fill(rig.name)
  if (rig.kind) {
    await form.getByLabel('Kind').click()
    await page.getByRole('option', { name: rig.kind, exact: true }).click()
  }
  await form.getByLabel('Transmits on').fill('459.8')
  await form.getByLabel('Power').fill(rig.power)
  await form.getByLabel('Antenna height').fill(rig.height)
  await form.getByRole('button', { name: 'Add the rig' }).click()
}

const logged = (page: Page) => page.getByRole('status')

/** Logs the check on the screen by keyboard; the better rig gives the better report. */
async function logByKeys(page: Page, better: string) {
  const name = (await page.getByRole('heading', { level: 1 }).textContent()) ?? ''
  const mark = await page.locator('header').textContent()
  const far = /0([6-9])|1\d/.test(mark ?? '')
  const strength = (name.includes(better) ? 8 : 7) - (far ? 2 : 0)
  await page.keyboard.press(far && !name.includes(better) ? 'Digit2' : 'Digit5')
  await page.keyboard.press(`Shift+Digit${strength}`)
  const before = await logged(page).textContent()
  await page.keyboard.press('Enter')
  await expect(logged(page)).toContainText(/^Logged: /)
  await expect(logged(page)).not.toHaveText(before ?? '')
}

test('a trial from nothing, logged by keyboard, to a finding', async ({ page }) => {
  test.setTimeout(180_000)
  await page.goto('/')
  await page.getByLabel('Name of the trial').fill('Ferry quay')
  await page.getByLabel('The question it is to answer').fill('Which whip for the ferry?')
  await page.getByRole('button', { name: 'Start this trial' }).click()
  await expect(page.getByRole('heading', { name: 'Kit', level: 1 })).toBeVisible()

  await test.step('kit, with bad input refused', async () => {
    await addRig(page, { name: 'Quay desk', kind: 'base', power: '25', height: '6' })
    await expect(page.getByText('Quay desk')).toBeVisible()
    await addRig(page, { name: 'Short ferry whip', power: '0', height: '-1' })
    await expect(page.getByText('Power must be above 0 W')).toBeVisible()
    await expect(page.getByText('Height must be above the ground')).toBeVisible()
    await page.getByLabel('Power').fill('2')
    await page.getByLabel('Antenna height').fill('1.5')
    const free = await page.getByLabel('Letter').inputValue()
    await page.getByLabel('Letter').fill('A')
    await page.getByRole('button', { name: 'Add the rig' }).click()
    await expect(page.getByText('already has the letter A')).toBeVisible()
    await page.getByLabel('Letter').fill(free)
    await page.getByRole('button', { name: 'Add the rig' }).click()
    await expect(page.getByText('Short ferry whip')).toBeVisible()
    await addRig(page, { name: 'Tall ferry whip', power: '2', height: '1.5' })
    await expect(page.getByText('Tall ferry whip')).toBeVisible()
  })

  await test.step('ground', async () => {
    await page.getByRole('link', { name: /^Ground/ }).click()
    await page.getByLabel('Name of the place').fill('Ferry quay')
    await page.getByLabel('Latitude').fill('97')
    await page.getByLabel('Longitude').fill('-29,55')
    await page.getByRole('button', { name: 'Place the base' }).click()
    await expect(page.getByText('Between -89 and 89 degrees')).toBeVisible()
    await page.getByLabel('Latitude').fill('47.3')
    await page.getByRole('button', { name: 'Place the base' }).click()
    await page.getByLabel('Name of the leg').fill('Pier')
    await page.getByLabel('Bearing').fill('75')
    await page.getByLabel('A mark every').fill('400')
    await page.getByLabel('Marks', { exact: true }).fill('8')
    await page.getByRole('button', { name: 'Add the leg', exact: true }).click()
    await expect(page.getByText('8 marks, out to 3.2 km')).toBeVisible()
    await expect(page.getByRole('region', { name: /1 legs, 8 marks/ })).toBeVisible()
  })

  await test.step('plan', async () => {
    await page.getByRole('link', { name: /^Plan/ }).click()
    await page.getByRole('checkbox', { name: 'Short ferry whip with Quay desk' }).check()
    await page.getByRole('checkbox', { name: 'Tall ferry whip with Quay desk' }).check()
    await expect(page.getByText('32 checks', { exact: true }).last()).toBeVisible()
    await page.getByRole('button', { name: '+ Same battery' }).click()
    await page.getByRole('button', { name: 'Save the plan' }).click()
    await expect(page.getByText('The plan is saved.')).toBeVisible()
    await expect(page.getByRole('listitem', { name: /still to make/ })).toHaveCount(32)
  })

  await test.step('field, by keyboard', async () => {
    await page.getByRole('link', { name: /^Field/ }).click()
    await page.getByLabel('Name of the run').fill('Sunday')
    await page.getByRole('button', { name: 'Begin the run' }).click()
    await page.waitForURL(/\/field\?run=/)
    await expect(page.getByText('0 of 32 checks')).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(logged(page)).toContainText('Readability? Nothing is logged yet.')
    for (let i = 0; i < 31; i++) await logByKeys(page, 'Tall')
    await page.keyboard.press('n')
    await expect(page.getByRole('heading', { name: 'Every check is made or skipped.' })).toBeVisible()
    await expect(page.getByText('all saved')).toBeVisible()
  })

  await test.step('findings', async () => {
    await page.getByRole('link', { name: 'Read the findings' }).click()
    await expect(
      page.getByText(/^Tall ferry whip is better than Short ferry whip by \d\.\d S-units/).first(),
    ).toBeVisible()
    const places = page.getByRole('navigation', { name: 'Findings' })
    await places.getByRole('link', { name: 'Checks' }).click()
    await expect(page.getByText('The number of marks was fixed beforehand and carried out')).toBeVisible()
    await places.getByRole('link', { name: 'Differences' }).click()
    const csv = await copied(page.getByRole('button', { name: 'Copy the differences as CSV' }))
    expect(csv.split('\r\n')[0]).toContain('direction,a,b,verdict')
    expect(csv).toContain('Short ferry whip')
  })
})
