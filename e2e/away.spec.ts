import { fixture, newGround, openTrial } from './app'
import { expect, test, type Page } from './test'

const AWAY = 'The server cannot be reached; what you typed is still here. Try again when it runs.'

/** Does what saves while the server is away: it is said, and the page stays; then the server is back. */
async function saidAway(page: Page, save: () => Promise<void>) {
  await page.context().setOffline(true)
  await save()
  await expect(page.getByText(AWAY).first()).toBeVisible()
  await page.context().setOffline(false)
}
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click()

test('a trial and a run that cannot be begun say so, keep what was typed, and go through afterwards', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('Name of the trial').fill('Away')
  await page.getByLabel('The question it is to answer').fill('Which?')
  await saidAway(page, () => press(page, 'Start this trial'))
  await expect(page.getByLabel('The question it is to answer')).toHaveValue('Which?')
  await press(page, 'Start this trial')
  await page.waitForURL(/\/kit$/)

  // Not the trial that others read findings of: the newest run is the one that counts.
  const trial = await openTrial(page, 'Four or eight')
  await page.goto(`${trial}/field`)
  await page.getByLabel('Name of the run').fill('Away')
  await saidAway(page, () => press(page, 'Begin the run'))
  await expect(page.getByLabel('Name of the run')).toHaveValue('Away')
  await press(page, 'Begin the run')
  await page.waitForURL(/\/field\?run=/)
})

test('every form of the ground says that the server is away', async ({ page }) => {
  await newGround(page, 'Away ground')
  await page.getByLabel('Name of the place').fill('Pier')
  await page.getByLabel('Latitude').first().fill('47.3')
  await page.getByLabel('Longitude').first().fill('-29.55')
  await saidAway(page, () => press(page, 'Place the base'))
  await expect(page.getByLabel('Name of the place')).toHaveValue('Pier')
  await press(page, 'Place the base')
  await page.getByLabel('Name of the leg').fill('East')
  await page.getByLabel('Bearing').fill('90')
  await page.getByLabel('A mark every').fill('400')
  await page.getByLabel('Marks', { exact: true }).fill('3')
  await saidAway(page, () => press(page, 'Add the leg'))
  await expect(page.getByLabel('Name of the leg')).toHaveValue('East')
  await press(page, 'Add the leg')
  await expect(page.getByText('3 marks, out to 1.2 km')).toBeVisible()
  await saidAway(page, () => press(page, 'Take out East'))

  await page.getByText('Add marks by tape, wheel or paces').click()
  const tape = page.getByRole('group', { name: 'Marks by tape, wheel or paces' })
  await tape.getByLabel('Name of the leg').fill('Lane')
  await tape.getByLabel(/^Distances from the base/).fill('50 100')
  await saidAway(page, () => press(page, 'Add these marks'))
  await expect(tape.getByLabel('Name of the leg')).toHaveValue('Lane')

  await page.getByText('Or type its corners').click()
  await page.getByLabel('Latitude, longitude: a corner a line').fill('47.3 -29.5\n47.4 -29.5\n47.4 -29.6')
  await press(page, 'Make an area of these')
  await saidAway(page, () => press(page, 'Keep the area'))
  await press(page, 'Leave it')

  await page.getByText('Other places: candidates, relays, stations not ours').click()
  const site = page.getByRole('form', { name: 'Add a place' })
  await site.getByLabel('Name').fill('Top')
  await site.getByLabel('Latitude').fill('47.31')
  await site.getByLabel('Longitude').fill('-29.55')
  await saidAway(page, () => press(page, 'Add the place'))
  await expect(site.getByLabel('Name')).toHaveValue('Top')
})

test('every form of the kit says that the server is away', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/kit`)
  await press(page, 'Enter figures only')
  await page.getByLabel('Name', { exact: true }).fill('Borrowed')
  await page.getByLabel('Transmit').fill('459,8')
  await page.getByLabel('Power').fill('2')
  await page.getByLabel('Antenna height').fill('1.4')
  await saidAway(page, () => press(page, 'Add the rig'))
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Borrowed')
  await saidAway(page, () => press(page, /^Take rig . out$/))

  await page.goto(`${trial}/kit/parts`)
  await page.getByLabel('Add a part of your own').click()
  await page.getByRole('option', { name: 'Mast' }).click()
  await page.getByLabel('Name').fill('Pole')
  await saidAway(page, () => press(page, 'Add the part'))
  await expect(page.getByLabel('Name')).toHaveValue('Pole')

  await page.goto(`${trial}/kit/rules`)
  await press(page, /^Change Region one/)
  await page.getByLabel('Name of the rules').fill('Ours')
  await saidAway(page, () => press(page, 'Save the rules'))
  await expect(page.getByLabel('Name of the rules')).toHaveValue('Ours')
})

test('the plan and an import say that the server is away; leaving a changed plan asks first', async ({
  page,
}) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/plan`)
  await page.getByLabel('The question it is to answer').fill('Another question')
  await saidAway(page, () => press(page, 'Save the plan'))
  await expect(page.getByLabel('The question it is to answer')).toHaveValue('Another question')
  // Asked whether to leave, the answer is no.
  const asked = page.waitForEvent('dialog').then(async (dialog) => {
    const words = dialog.message()
    await dialog.dismiss()
    return words
  })
  await page.getByRole('link', { name: /^Ground/ }).click()
  expect(await asked).toContain('not saved')
  await expect(page).toHaveURL(/\/plan$/)
  page.once('dialog', (dialog) => void dialog.accept())
  await page.getByRole('link', { name: /^Ground/ }).click()
  await expect(page).toHaveURL(/\/ground$/)

  await page.goto('/import')
  await page
    .locator('input[type=file]')
    .setInputFiles(['ostrey-spring-checks.csv', 'ostrey-spring.gpx', 'ostrey-spring-kit.json'].map(fixture))
  await page.getByLabel('Yes, this is what the reports mean').check()
  await saidAway(page, () => press(page, /^Import \d+ checks/))
  await expect(page.getByRole('button', { name: /^Import \d+ checks/ })).toBeEnabled()
})

test('a trial with checks is deleted only after its runs were written to a file', async ({ page }) => {
  await page.goto('/import')
  await page
    .locator('input[type=file]')
    .setInputFiles(['ostrey-spring-checks.csv', 'ostrey-spring.gpx', 'ostrey-spring-kit.json'].map(fixture))
  await page.getByLabel('Name of the trial').fill('To be deleted')
  await page.getByLabel('Yes, this is what the reports mean').check()
  await press(page, /^Import \d+ checks/)
  await page.waitForURL(/\/findings/)
  await page.goto('/')
  await press(page, 'Delete: To be deleted')
  const dialog = page.getByRole('dialog', { name: 'Delete “To be deleted”?' })
  await expect(dialog.getByText(/^Its plan goes, and 1 run with \d+ checks/)).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Delete the trial' })).toBeDisabled()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Write its runs to a file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('to-be-deleted.runs.json')
  await dialog.getByRole('button', { name: 'Delete the trial' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.getByRole('link', { name: /^To be deleted/ })).toHaveCount(0)
})

test('what is typed and clicked while a page still loads is not lost', async ({ page }) => {
  let free = () => {}
  const held = new Promise<void>((done) => (free = done))
  await page.route('**/_next/static/**/*.js', async (route) => {
    await held
    await route.continue()
  })
  await page.goto('/', { waitUntil: 'commit' })
  await page.getByText('What do height or power bring?', { exact: true }).click()
  await page.getByLabel('Name of the trial').fill('Typed early')
  await page.getByRole('button', { name: 'Start this trial' }).click()
  await expect(page).toHaveURL(/\/$/)
  free()
  await page.waitForURL(/\/kit$/)
  await expect(page.getByText('Typed early').first()).toBeVisible()
})

test('what is clicked on a chain whose scripts come after the page’s own is kept, and its form answers', async ({
  page,
}) => {
  const trial = await openTrial(page, 'Short or long')
  const address = `${trial}/kit/rig/new`
  const first = await (await page.request.get(address)).text()
  let free = () => {}
  const held = new Promise<void>((done) => (free = done))
  const late: string[] = []
  await page.route('**/_next/static/**/*.js', async (route) => {
    const name = new URL(route.request().url()).pathname
    if (!first.includes(name)) {
      late.push(name)
      await held
    }
    await route.continue()
  })
  await page.goto(address, { waitUntil: 'commit' })
  await page.getByRole('button', { name: 'Put in Handheld UHF, 2 W', exact: true }).click()
  await expect.poll(() => late.length).toBeGreaterThan(0)
  await page.getByLabel('Name', { exact: true }).fill('Typed early')
  await expect(page.getByText('Pick a radio')).toBeVisible()
  free()
  await expect(page.getByText('Pick a radio')).toHaveCount(0)
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Typed early')
  const chain = page.getByRole('region', { name: 'Chain and budget' })
  await expect(chain.getByText('Handheld UHF, 2 W')).toBeVisible()
})
