import { expect, test, type Page } from './test'
import { clockMoved, expectAxeClean, fixture, openTrial } from './app'
import { chromium } from './chromium'
import { recording } from './recording'

test.use({
  permissions: ['microphone'],
  launchOptions: chromium('--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'),
})

const header = (page: Page) => page.locator('header')
const saved = (page: Page) => expect(page.getByText('all saved')).toBeVisible({ timeout: 30_000 })
async function beginRun(page: Page, name: string): Promise<{ trial: string; run: string }> {
  const trial = await openTrial(page, 'Four or eight')
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${trial}/field`)
  await page.getByLabel('Name of the run').fill(name)
  await page.getByRole('button', { name: 'Begin the run' }).click()
  await page.waitForURL(/\/field\?run=/)
  await expect(page.getByRole('button', { name: 'More' })).toBeVisible()
  await expect(page.getByText('Opening the log…')).toHaveCount(0)
  return { trial, run: new URL(page.url()).searchParams.get('run')! }
}
async function menu(page: Page, part: string) {
  await page.getByRole('button', { name: 'More' }).click()
  await page.locator('summary', { hasText: part }).first().click()
}
const back = (page: Page) => page.getByRole('button', { name: 'Back to the log' }).click()
type Logged = { id: string; wallTime: string; body: Record<string, unknown> & { kind: string } }
async function entries(page: Page, run: string): Promise<Logged[]> {
  return (await (await page.request.get(`/api/runs/${run}/entries`)).json()).entries
}

test('sent by the clock and graded later, by two listeners, from a recording aligned by a sync mark', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const { trial, run } = await beginRun(page, 'Sent only')
  await menu(page, 'Work to a clock')
  await page.getByLabel('A window every').fill('5')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await page.getByLabel(/^Send only/).check()
  await back(page)
  await expect(page.getByRole('timer')).toContainText(/to window \d+|window \d+/)
  await page.getByRole('button', { name: /^Say .mark. on the air/ }).click()
  await expect(page.getByText('Sync mark logged')).toBeVisible()
  for (let i = 1; i <= 3; i++) {
    await clockMoved(page, 1100)
    await page.getByRole('button', { name: 'Sent', exact: true }).click()
    await expect(header(page)).toContainText(`${i} of`)
  }
  await saved(page)
  const log = await entries(page, run)
  const sync = log.find((e) => e.body.what === 'sync mark')!
  const sent = log.filter((e) => e.body.kind === 'check')
  expect(sent.map((e) => e.body.state)).toEqual(['sent', 'sent', 'sent'])

  // Where one logs nothing is lost by a slip.
  const keys = await page.getByRole('button', { name: 'Skip this check' }).boundingBox()
  const log1 = await page.getByRole('button', { name: 'Sent', exact: true }).boundingBox()
  expect(keys!.y + keys!.height).toBeLessThanOrEqual(log1!.y)
  // The strip draws them as sent; the run asks to be graded.
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${trial}/field`)
  await page.getByRole('link', { name: 'Grade 3' }).first().click()
  await page.waitForURL(/\/grade/)
  await expect(page.getByRole('heading', { name: 'Grade: Sent only' })).toBeVisible()
  const base = page.locator('input[type=file][accept*=audio]')
  await base.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no sound') })
  await expect(page.getByText(/cannot be read as sound/)).toBeVisible()
  // The recorder's own time is unknown: the sync mark sounds at 10 s.
  const offset = (e: Logged) => 10 + (Date.parse(e.wallTime) - Date.parse(sync.wallTime)) / 1000
  await base.setInputFiles({
    name: 'base.wav',
    mimeType: 'audio/wav',
    buffer: recording(40, [10, ...sent.map(offset)]),
  })
  const slider = page.getByRole('slider', { name: 'Moment in the recording' })
  await expect(slider).toBeVisible()
  await slider.focus()
  for (let i = 0; i < 10; i++) await slider.press('Shift+ArrowRight')
  await expect(slider).toHaveAttribute('aria-valuetext', /0:10/)
  await page.getByRole('button', { name: 'Align here' }).click()
  await expect(page.getByText(/Sync mark sounds at 0:10/)).toBeVisible()
  await expectAxeClean(page)
  const toBase = await page.getByText(/^\d of \d graded$/).textContent()
  const total = Number(/of (\d)/.exec(toBase!)![1])
  expect(total).toBeGreaterThan(0)
  const report = page.getByLabel('Report', { exact: true })
  for (let i = 0; i < total; i++) {
    await page.getByRole('button', { name: 'Play it' }).click()
    await report.fill('7 by 12')
    await expect(page.getByRole('button', { name: 'Log the grade' })).toBeDisabled()
    await report.fill('4 by 5')
    await report.press('Enter')
    await expect(page.getByText(`${i + 1} of ${total} graded`)).toBeVisible()
  }
  await page.getByLabel('Who listens').click()
  await page.getByRole('option', { name: 'the second listener' }).click()
  for (let i = 0; i < total; i++) {
    await report.fill(i === 0 ? '3 by 5' : '4 by 5')
    await report.press('Enter')
    await expect(page.getByText(`${i + 1} of ${total} graded`)).toBeVisible()
  }
  await expect(page.getByText(`The two listeners agree on ${total - 1} of ${total}.`)).toBeVisible()
  await page.getByRole('button', { name: '3 by 5 (second)' }).click()
  await expect(page.getByRole('group', { name: /^Settle/ })).toHaveCount(0)
  await page.reload()
  const after = await entries(page, run)
  expect(after.filter((e) => e.body.kind === 'grade')).toHaveLength(2 * total)
  // A track of any receiver says where they were sent from; one of another day is refused in a sentence.
  const track = page.locator('input[type=file][accept=".gpx"]')
  await track.setInputFiles(fixture('ostrey-spring.gpx'))
  await expect(
    page.getByText(/no check without a place was made then|holds no track with times/),
  ).toBeVisible()
  const at = (e: Logged, s: number) => new Date(Date.parse(e.wallTime) + s * 1000).toISOString()
  const point = (e: Logged, s: number) => `<trkpt lat="47.31" lon="-29.56"><time>${at(e, s)}</time></trkpt>`
  const gpx = `<gpx version="1.1"><trk><trkseg>${point(sent[0]!, -5)}${point(sent[2]!, 5)}</trkseg></trk></gpx>`
  await track.setInputFiles({ name: 'way.gpx', mimeType: 'text/xml', buffer: Buffer.from(gpx) })
  await expect(page.getByText(/^3 checks have a place now/)).toBeVisible()
})

test('a sound, a photo, several receivers in one grid, throughput and a rig nobody planned', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const { trial, run } = await beginRun(page, 'All sorts')
  await page.keyboard.press('c')
  const asked = Date.now()
  await page.getByRole('button', { name: /^Record what you hear/ }).click()
  await clockMoved(page, 2200)
  await page.getByRole('button', { name: /^Stop, and keep it/ }).click()
  const said = /Sound kept, (\d+) s/
  await expect(page.getByText(said)).toBeVisible()
  const seconds = Number(said.exec(await page.getByText(said).innerText())![1])
  expect(seconds).toBeGreaterThanOrEqual(2)
  // A busy machine records for longer, and not longer than it was asked to.
  expect(seconds).toBeLessThanOrEqual(Math.ceil((Date.now() - asked) / 1000))
  await page.keyboard.press('c')
  const photo = page.locator('input[type=file][accept="image/*"]')
  await photo.setInputFiles({ name: 'a.txt', mimeType: 'text/plain', buffer: Buffer.from('x') })
  await expect(page.getByRole('alert').filter({ hasText: 'a.txt is no picture of a camera.' })).toBeVisible()
  const png = await page.screenshot({ clip: { x: 0, y: 0, width: 60, height: 60 } })
  await photo.setInputFiles({ name: 'mast.png', mimeType: 'image/png', buffer: png })
  await expect(page.getByText('Photo kept')).toBeVisible()
  await saved(page)
  const kept = (await entries(page, run)).filter((e) => e.body.kind === 'media')
  expect(kept.map((e) => e.body.what)).toEqual(['sound', 'photo'])
  for (const { body } of kept) {
    const answer = await page.request.get(`/api/runs/${run}/media/${body.mediaId as string}`)
    expect(answer.status()).toBe(200)
    expect((await answer.body()).length).toBeGreaterThan(100)
  }

  await page.keyboard.press('g')
  const grid = page.getByRole('dialog', { name: /^All at once/ })
  await grid.getByRole('textbox').nth(0).fill('5 by 77')
  await expect(grid.getByRole('button', { name: /^Log/ })).toBeDisabled()
  await grid.getByRole('textbox').nth(0).fill('5 by 7')
  await grid.getByRole('button', { name: 'Not heard' }).nth(1).click()
  await grid.getByRole('button', { name: 'Log 2 of 2' }).click()
  await expect(header(page)).toContainText('2 of')

  await menu(page, 'Throughput and delay')
  await page.getByLabel('Measured', { exact: true }).fill('49')
  await page.getByLabel('Known cap, if any').fill('50')
  await page.getByLabel('Server').fill('own server at the base')
  await page.getByRole('button', { name: 'Log it', exact: true }).click()
  await page.locator('summary', { hasText: 'Changes: attenuator' }).click()
  await page.getByRole('button', { name: 'Add it', exact: true }).click()
  await expect(page.getByText(/Say what it is/)).toBeVisible()
  await page.getByLabel('What it is', { exact: true }).fill('borrowed whip')
  await page.getByRole('button', { name: 'Add it', exact: true }).click()
  await back(page)
  await expect(page.getByText(/^Added: . borrowed whip/)).toBeVisible()
  await expect(header(page)).toContainText(/2 of (5[0-9]|[6-9]\d) checks/)
  await saved(page)

  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${trial}/field`)
  const described = page.getByText('borrowed whip was added out there.')
  await expect(described.first()).toBeVisible()
  await page.getByLabel('It is this rig of the kit').first().click()
  await page.getByRole('option').first().click()
  await page.getByRole('button', { name: 'Describe it so' }).first().click()
  await expect(described).toHaveCount(0)
  await page.goto(`${trial}/findings/checks?run=${run}`)
  const other = page.getByRole('region', { name: 'What else was logged' })
  await expect(other).toContainText('throughput 49 Mbit/s, own server at the base, cap 50 Mbit/s; at the cap')
  await expect(other.locator('audio')).toHaveCount(1)
  await expect(other.getByAltText('Photo taken out there')).toBeVisible()
})

test('the sound of the way is recorded with no-look marks, and they are named when parked', async ({
  page,
}) => {
  const { trial, run } = await beginRun(page, 'By ear')
  await menu(page, 'Heard on the way')
  await page.getByRole('button', { name: 'Record the sound of the way' }).click()
  await expect(page.getByRole('button', { name: 'Stop recording the sound' })).toBeVisible()
  await page.getByRole('button', { name: 'first break-up' }).click()
  await back(page)
  await expect(header(page)).toContainText('recording')
  await clockMoved(page, 2500)
  await menu(page, 'Heard on the way')
  await page.getByRole('button', { name: 'Stop recording the sound' }).click()
  await back(page)
  await expect(page.getByText('The sound of the way is kept')).toBeVisible()
  await saved(page)
  const log = await entries(page, run)
  expect(log.find((e) => e.body.kind === 'recording')!.body).toMatchObject({
    at: 'out',
    aligned: expect.stringMatching(/device/),
  })
  expect(log.find((e) => e.body.kind === 'state')!.body).toMatchObject({ state: 'first break-up' })
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${trial}/field/grade?run=${run}`)
  await expect(page.getByRole('slider', { name: 'Moment in the recording' })).toBeVisible()
})
