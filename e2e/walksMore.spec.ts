import { expect, test, type Page } from './test'
import { clockMoved } from './app'
import { recording } from './recording'
import {
  beginRun,
  beginTrial,
  byPad,
  findings,
  finishEarly,
  hands,
  logAll,
  savePlan,
  setGround,
} from './walk'

// More whole jobs from an empty database, each on a simulated field whose truth stands in the test.
test.use({ empty: true })
test.setTimeout(150_000)

const PHONE = { width: 390, height: 844 }
const DESK = { width: 1280, height: 800 }

const digits = async (page: Page, text: string) => {
  for (const d of text) await page.keyboard.press(`Digit${d}`)
}

test('a fixed link with two directional antennas: level and quality of every swap, each judged by itself', async ({
  page,
}) => {
  const by = hands(page)
  await beginTrial(page, by, 'Plug in, plug out', {
    kind: 'Data radio, 868 MHz',
    out: ['Short yagi', 'Long yagi'],
    base: 'Far end',
  })
  await by.click('link', /^Plan/)
  await by.click('checkbox', /^Each check brings two figures/)
  await savePlan(page, by)
  await beginRun(page, by)
  expect(by.count).toEqual({ clicks: 11, fields: 2 })
  await page.setViewportSize(PHONE)
  let n = 0
  await logAll(page, async ({ rig }) => {
    // The long one is 5 dB stronger, and no better in quality.
    const wave = Math.sin(++n * 2.3)
    await digits(page, String(Math.round(99 - (rig === 'Long yagi' ? 5 : 0) + wave)))
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'Log without Quality' })).toBeVisible()
    await digits(page, String(Math.round(70 + 4 * Math.cos(n * 1.7))))
    await page.keyboard.press('Enter')
  })
  expect(await findings(page)).toMatch(/^Long yagi .*(better|more|stronger)/)
  await page.setViewportSize(DESK)
  await page.getByRole('group', { name: 'Read by' }).getByRole('button', { name: 'Quality' }).click()
  const lead = page.getByRole('region', { name: 'Answer' }).getByRole('heading', { level: 2 })
  await expect(lead).toContainText(/[Cc]annot tell/, { timeout: 60_000 })
  await page.getByRole('link', { name: 'Checks', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Quality' })).toHaveAttribute('aria-pressed', 'true')
})

test('a relay on the roof, then on the hill: one question, two places, and how many times as far', async ({
  page,
}) => {
  const by = hands(page)
  const run = async (gainDb: number) => {
    await beginRun(page, by)
    await logAll(
      page,
      byPad(page, () => gainDb),
    )
    return findings(page)
  }
  await beginTrial(page, by, 'Is this the place for a relay or a link?', {
    out: ['Handheld'],
    base: 'Relay',
  })
  await by.click('link', /^Ground/)
  await by.fill('Name of the place', 'Roof')
  await setGround(page, by, { bearing: '75', every: '250', marks: '14' })
  expect(await run(-6)).toMatch(/^Handheld: about/)
  await by.click('link', /^Ground/)
  await by.text('The same question from another place')
  await by.click('button', 'Ask it from another place')
  await page.waitForURL(/\/ground$/)
  await expect(page.getByText('Is this the place')).toHaveCount(0)
  await by.fill('Name of the place', 'Hill')
  await by.fill('Latitude', '47.304')
  await by.fill('Longitude', '-29.556')
  await by.click('button', 'Place the base')
  await by.click('button', /^Take .* over from Roof: 14 marks/)
  await expect(page.getByText(/^14 marks, out to/)).toBeVisible()
  // From up there every mark is 12 dB better: twice as far where levels fall by 40 dB a decade.
  expect(await run(6)).toMatch(/^Handheld/)
  const places = page.getByRole('region', { name: 'From the other places' })
  await expect(places).toContainText(
    /Handheld gets .*farther from Hill|times as far from Hill as from Roof/,
    {
      timeout: 60_000,
    },
  )
  await expect(places).toContainText('Roof: Handheld: about')
})

test('a kept route with high and low marks: taken again, and who is ahead depends on the place', async ({
  page,
}) => {
  const by = hands(page)
  await beginTrial(page, by, 'How far does it reach?', { out: ['Scout'] })
  await setGround(page, by, { bearing: '40', every: '150', marks: '12', name: 'Ridge path' })
  for (let i = 1; i <= 12; i++) {
    const tags = page.getByLabel(new RegExp(`^Tags of \\D+0?${i}$`))
    await tags.fill(i % 2 === 0 ? 'high' : 'low')
    const stored = page.waitForResponse((r) => r.request().method() === 'POST')
    await tags.press('Enter')
    await stored
  }
  await page.reload()
  await expect(page.getByLabel(/^Tags of \D+0?12$/)).toHaveValue('high')

  await beginTrial(page, by, 'Which antenna, and how far?', { out: ['Dipole', 'Helical'] })
  await by.click('link', /^Ground/)
  await by.fill('Latitude', '47.3')
  await by.fill('Longitude', '-29.55')
  await by.click('button', 'Place the base')
  await by.text('Routes kept from other trials')
  await by.click('button', 'Use Ridge path again')
  await expect(page.getByText(/^12 marks, out to/)).toBeVisible()
  await beginRun(page, by)
  await page.setViewportSize(PHONE)
  await logAll(
    page,
    byPad(page, ({ rig, distanceM }) => {
      const high = Math.round(distanceM / 150) % 2 === 0
      return rig === 'Dipole' ? (high ? 12 : -4) : 0
    }),
  )
  await findings(page)
  await page.setViewportSize(DESK)
  await page.getByRole('link', { name: 'When and where it changes' }).click()
  await expect(page.getByText(/by kind of place: .*(“high”|“low”)/).first()).toBeVisible({ timeout: 60_000 })
})

test('three by car, stopping where they can, others joining in: the odometer, and what the others say', async ({
  page,
}) => {
  const by = hands(page)
  await beginTrial(page, by, 'Which antenna, and how far?', {
    kind: 'Set in a car, 2 m',
    out: ['Roof rod', 'Boot rod'],
    base: 'Workshop',
  })
  await by.click('link', /^Plan/)
  await by.pick('Where it is tried', 'Wherever I can stop')
  await savePlan(page, by)
  await beginRun(page, by)
  await page.setViewportSize(PHONE)
  const log = byPad(page, ({ rig }) => (rig === 'Roof rod' ? 22 : 11))
  for (const where of ['0.4 mi', '0.9 mi', '1.4 mi', '2 mi', '2.6 mi', '3.3 mi']) {
    await page.getByLabel(/^How far from the base/).fill(where)
    await page.getByRole('button', { name: 'Stop here', exact: true }).click()
    await expect(page.getByRole('button', { name: 'Not heard', exact: true })).toBeVisible()
    await logAll(page, log)
  }
  for (const [who, where] of [
    ['Farm 3', '9 km'],
    ['Boat', ''],
  ] as const) {
    await page.getByRole('button', { name: 'More' }).click()
    await page.getByText('Heard on the way: comparisons').click()
    await page.getByLabel('Who', { exact: true }).fill(who)
    await page.getByRole('button', { name: who === 'Boat' ? 'On the move' : 'It stays' }).click()
    if (where) await page.getByLabel('How far off', { exact: true }).fill(where)
    await page.getByLabel('Which rig').click()
    await page.getByRole('option', { name: /Roof rod/ }).click()
    await page.getByLabel('Switched over from').click()
    await page.getByRole('option', { name: /Boot rod/ }).click()
    await page
      .getByRole('group', { name: 'Against it, Roof rod was' })
      .getByRole('button', { name: 'a little better' })
      .click()
    await page.getByRole('button', { name: 'Log this station' }).click()
    await expect(page.getByRole('status').last()).toContainText(`Logged: ${who} joined in`)
  }
  // How far off the boat was is told later.
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByText('Heard on the way: comparisons').click()
  await page.getByLabel('How far off was Boat?', { exact: true }).fill('six')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByText('A distance, such as 12 km or 7.5 mi.')).toBeVisible()
  await page.getByLabel('How far off was Boat?', { exact: true }).fill('6 km')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByLabel('How far off was Boat?', { exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'Back to the log' }).click()
  await finishEarly(page)
  expect(await findings(page)).toMatch(/^Roof rod (reaches|is) .*(farther|better)/)
  await expect(page.getByText(/of 2 listeners/).first()).toBeVisible()
})

test('several receivers at one mark, each with a bare reading', async ({ page }) => {
  const by = hands(page)
  await beginTrial(page, by, 'Which antenna, and how far?', {
    out: ['Receiver one', 'Receiver two', 'Receiver three'],
  })
  await setGround(page, by, { bearing: '12', every: '200', marks: '8' })
  await by.click('link', /^Plan/)
  await by.pick('Directions', 'From base only')
  await by.pick('Whoever is out there reports', /^A bare reading/)
  await savePlan(page, by)
  await beginRun(page, by)
  await page.setViewportSize(PHONE)
  const base: Record<string, number> = { 'Receiver one': 62, 'Receiver two': 48, 'Receiver three': 40 }
  for (let mark = 1; mark <= 8; mark++) {
    await page.keyboard.press('g')
    const grid = page.getByRole('dialog', { name: 'All at once, from base' })
    for (const [i, name] of Object.keys(base).entries())
      await grid
        .getByLabel(new RegExp(name))
        .fill(String(Math.max(1, base[name]! - 3 * mark + Math.round(3 * Math.sin(mark * 1.9 + i)))))
    await grid.getByRole('button', { name: 'Log 3 of 3' }).click()
    await expect(grid).toHaveCount(0)
    await expect(page.locator('header')).toContainText(`${3 * mark} of 24`)
  }
  expect(await findings(page)).toMatch(/Receiver one/)
})

test('a matrix of antenna and mode, sent first and graded afterwards: what either brings', async ({
  page,
}) => {
  const by = hands(page)
  await page.goto('/')
  await by.text('Antenna and mode together')
  await by.click('button', 'Start this trial')
  await page.waitForURL(/\/kit$/)
  await by.click('button', 'Sets of a usual kind')
  await by.fill('Antennas, one a line', 'Stub\nWhip')
  await by.fill('Modes, one a line', 'FM\nDigital')
  await expect(
    page.getByText('4 rigs out there: Stub, FM; Stub, Digital; Whip, FM; Whip, Digital.'),
  ).toBeVisible()
  await by.click('button', 'Add 5 rigs')
  await expect(page.getByText('Whip, Digital', { exact: true }).first()).toBeVisible()
  await setGround(page, by, { bearing: '75', every: '300', marks: '9' })
  await by.click('link', /^Plan/)
  await by.pick('Directions', 'To base only')
  await savePlan(page, by)
  await beginRun(page, by)
  expect(by.count).toEqual({ clicks: 13, fields: 7 })
  await page.setViewportSize(PHONE)
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByText('Work to a clock; send now, grade later').click()
  await page.getByLabel(/^Send only/).check()
  await page.getByRole('button', { name: 'Back to the log' }).click()
  const sendOne = async () => {
    // Two taps at once are one.
    await clockMoved(page, 400)
    await page.getByRole('button', { name: 'Sent', exact: true }).click()
  }
  await page.getByRole('button', { name: /^Say .mark. on the air/ }).click()
  await expect(page.getByText('Sync mark logged')).toBeVisible()
  expect(await logAll(page, sendOne)).toBe(36)
  await expect(page.getByText('36 checks wait for grading.')).toBeVisible()
  await expect(page.getByText('all saved')).toBeVisible()
  const run = new URL(page.url()).searchParams.get('run')!
  const { entries } = (await (await page.request.get(`/api/runs/${run}/entries`)).json()) as {
    entries: { wallTime: string; body: { kind: string; what?: string } }[]
  }
  const at = (e: { wallTime: string }) => Date.parse(e.wallTime) / 1000
  const sync = at(entries.find((e) => e.body.what === 'sync mark')!)
  const tones = entries.filter((e) => e.body.kind === 'check').map((e) => 5 + at(e) - sync)
  await page.getByRole('link', { name: 'Grade them' }).click()
  await page.setViewportSize(DESK)
  await page.locator('input[type=file][accept*=audio]').setInputFiles({
    name: 'base.wav',
    mimeType: 'audio/wav',
    buffer: recording(Math.ceil(Math.max(...tones)) + 12, [5, ...tones]),
  })
  const slider = page.getByRole('slider', { name: 'Moment in the recording' })
  await expect(slider).toBeVisible()
  await slider.focus()
  for (let i = 0; i < 5; i++) await slider.press('Shift+ArrowRight')
  await expect(slider).toHaveAttribute('aria-valuetext', /0:05/)
  await page.getByRole('button', { name: 'Align here' }).click()
  await page.getByLabel(/^Blind: shuffled/).uncheck()
  const report = page.getByLabel('Report', { exact: true })
  for (let i = 0; i < 36; i++) {
    const head = await page.getByRole('heading', { name: /^Cut \d+ of 36/ }).textContent()
    const mark = Number(/\D(\d\d)\b/.exec(head!.replace(/^Cut \d+ of 36/, ''))![1])
    // The whip brings 8 dB, the digital mode 4.
    const level =
      26 -
      40 * Math.log10((300 * mark) / 900) +
      (/Whip/.test(head!) ? 8 : 0) +
      (/Digital/.test(head!) ? 4 : 0)
    const noisy = level + 2 * Math.sin(mark * 1.7 + i)
    const strength = Math.max(1, Math.min(9, Math.round(1 + noisy / 6)))
    await report.fill(noisy < 0 ? 'nil' : `${Math.min(5, 1 + Math.floor(noisy / 5))} by ${strength}`)
    await report.press('Enter')
    await expect(page.getByText(`${i + 1} of 36 graded`)).toBeVisible()
  }
  await page.getByRole('link', { name: /^Findings/ }).click()
  const lead = page.getByRole('region', { name: 'Answer' }).getByRole('heading', { level: 2 })
  await expect(lead).toContainText(/Whip brings \d+\.\d dB over Stub/, { timeout: 60_000 })
})
