import type { Page } from '@playwright/test'
import { expect, test } from './test'
import { expectAxeClean, expectNoOverflow } from './app'

// The four jobs of the bench from nothing: an empty database, no trial, the simulated instruments, whose truth stands
// in core/sim/bench and is repeated here.
test.use({ empty: true })

const answer = (page: Page) => page.getByRole('status', { name: 'The answer' })

/** Puts something on the simulated analyser's lead. */
async function put(page: Page, what: string) {
  await page.getByLabel('On the end of its lead').click()
  await page.getByRole('option', { name: what, exact: true }).click()
}

async function calibrate(page: Page) {
  await page.getByRole('button', { name: 'Simulated analyser' }).click()
  for (const [what, piece] of [
    ['Open', 'open'],
    ['Short', 'short'],
    ['Load, 50 ohm', 'load'],
  ] as const) {
    await put(page, what)
    const button = page.getByRole('button', { name: `Measure ${piece}` })
    await button.click()
    await expect(button.locator('xpath=following-sibling::*[1]')).toHaveText('taken')
  }
  await page.getByRole('button', { name: 'Load again' }).click()
  await expect(page.getByText('Calibrated, the load below −40 dB.')).toBeVisible()
}

async function sweep(page: Page, what: string, setUp: string, times: number) {
  await put(page, what)
  await page.getByLabel('What is different now').fill(setUp)
  await page.getByLabel('Times').fill(String(times))
  await page.getByRole('button', { name: 'Sweep', exact: true }).click()
  await expect(page.getByText(`${setUp} ${times} sweeps`)).toBeVisible()
}

test('a return-loss sweep against a limit: calibrated, with and without a counterpoise, kept', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.getByText('Does it match where it is used?')).toBeVisible()
  await page.getByLabel('Band from').fill('433')
  await page.getByLabel('Band to').fill('437')
  // 9.54 dB of return loss are SWR 2.
  await page.getByLabel('or return loss').fill('9.54')
  await expect(page.getByLabel('Limit, SWR')).toHaveValue('2')
  await calibrate(page)
  await expect(page.getByRole('button', { name: 'Sweep', exact: true })).toBeDisabled()
  await page.getByLabel('Nothing transmits near it').check()
  await sweep(page, 'Whip on a handheld, nothing hung from it', 'Bare', 3)
  await expect(answer(page)).toHaveText(/^Fails: the SWR is \d\.\d\d at 43\d\.\d MHz; 2 is the limit\.$/)
  await sweep(page, 'The same with a counterpoise', 'With a counterpoise', 3)
  await expect(answer(page)).toHaveText(
    /^Passes: SWR 2 or better all over 433 to 437 MHz; the worst is 1\.1\d/,
  )
  // The simulated whip's own edges, by numpy: 418.5 and 456.1 MHz.
  await expect(page.getByText(/The limit is met from 418\.[456] to 456\.[012] MHz/)).toBeVisible()
  await expect(
    page.getByText(/“Bare” and “With a counterpoise” differ by more than the sweeps repeat/),
  ).toBeVisible()

  // Markers keep their frequency whatever the scale, and are moved by the keyboard.
  const marker = page.getByRole('slider', { name: 'Marker 1' })
  await marker.focus()
  await page.keyboard.press('ArrowRight')
  const moved = await marker.getAttribute('aria-valuetext')
  expect(moved).not.toBe('433.0 MHz')
  await page.getByRole('button', { name: 'SWR', exact: true }).click()
  await expect(marker).toHaveAttribute('aria-valuetext', moved!)
  await page.getByRole('button', { name: 'Reflection plane' }).click()
  await expect(page.getByRole('img', { name: /Reflection plane/ })).toBeVisible()

  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as Touchstone 1.1' }).click()
  const file = await (await saved).path()
  await page.getByLabel('Keep it as').fill('Whip with its wire')
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText('Kept as Whip with its wire.')).toBeVisible()
  await expect(page.getByRole('row', { name: /Whip with its wire/ })).toContainText('simulated')

  // What it saved it reads again, and comes to the same answer.
  await page.reload()
  await page.getByLabel('Band from').fill('433')
  await page.getByLabel('Band to').fill('437')
  await page
    .locator('input[aria-label="A sweep from a file"]')
    .setInputFiles({ name: 'x.s1p', mimeType: 'text/plain', buffer: await bytes(file) })
  await expect(answer(page)).toHaveText(/^Passes: .* the worst is 1\.1\d/)
  await expect(page.getByText('Not calibrated here')).toBeVisible()
  await expectAxeClean(page)
})

const bytes = async (path: string) => (await import('node:fs/promises')).readFile(path)

test('calibrating wrong, and files that cannot be read, are refused in words', async ({ page }) => {
  await page.goto('/bench')
  await page.getByLabel('Band from').fill('433')
  await page.getByLabel('Band to').fill('437')
  await page.getByRole('button', { name: 'Simulated analyser' }).click()
  await put(page, 'Load, 50 ohm')
  await page.getByRole('button', { name: 'Measure open' }).click()
  await expect(page.getByText(/nearly all should come/)).toBeVisible()
  await put(page, 'Open')
  await page.getByRole('button', { name: 'Measure open' }).click()
  await page.getByRole('button', { name: 'Measure short' }).click()
  await expect(page.getByText(/Open and short look alike/)).toBeVisible()

  const read = (name: string, text: string) =>
    page
      .locator('input[aria-label="A sweep from a file"]')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
  await read('a.s1p', '# MHz Z RI R 50\n430 1 2')
  await expect(page.getByText(/holds Z parameters/)).toBeVisible()
  await read('a.s1p', '# MHz S RI R 50\n430 NaN 2\n431 0 0')
  await expect(page.getByText(/"NaN" is no number/)).toBeVisible()
  await read('a.csv', 'MHz,Return loss dB\n430,-12\n440,-13')
  await page.getByRole('button', { name: 'Read the sweep' }).click()
  await expect(page.getByText(/Figures below 0 are S11 in dB/).first()).toBeVisible()
  await page.getByLabel('Figures').click()
  await page.getByRole('option', { name: 'S11 in dB (below 0)', exact: true }).click()
  await page.getByRole('button', { name: 'Read the sweep' }).click()
  await expect(answer(page)).toHaveText(/^Passes/)
  await expect(page.getByText(/an edge could hide between two of them/)).toBeVisible()
  await read('b.s1p', '# MHz S RI R 50\n100 0.1 0\n110 0.1 0')
  await expect(page.getByText(/has nothing of the band 433 to 437 MHz/)).toBeVisible()
})

test('a lead: its loss, its velocity factor and its fault', async ({ page }) => {
  await page.goto('/bench/lead')
  await page.getByLabel('Length by the tape').fill('12')
  await page.getByLabel('Loss wanted at').fill('435')
  await calibrate(page)
  await page.getByLabel('Nothing transmits near it').check()
  await put(page, '12 m of lead, its far end open')
  await page.getByRole('button', { name: 'Sweep', exact: true }).click()
  // 1.80 dB, velocity factor 0.83
  await expect(answer(page)).toHaveText(/^It takes 1\.(79|8\d) dB at 435\.0 MHz, one way: 66 %/)
  await expect(page.getByText(/Velocity factor 0\.8(29|30|31)/)).toBeVisible()
  await expect(page.getByText('Nothing reflects before the far end.')).toBeVisible()
  await put(page, '12 m of lead, squashed at 7.5 m, its far end open')
  await page.getByRole('button', { name: 'Sweep', exact: true }).click()
  await expect(page.getByText(/Something on the way reflects at 7\.5 m/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText(/^Kept as /)).toBeVisible()
  // The sum the other way round: 41 mm of solid coax at 868 MHz are 0.180 of a wave, by hand.
  await page.getByLabel('Along what').click()
  await page.getByRole('option', { name: /Sleeve over solid coax/ }).click()
  await expect(page.getByText(/^0\.180 of a wave at 868 MHz/)).toBeVisible()
})

test('antennas turned against each other, each purpose by itself; and what holding one aslant costs', async ({
  page,
}) => {
  await page.goto('/bench/turn')
  await page.getByLabel('Frequency').fill('435')
  await page.getByText('From a file, or simulated').click()
  const turned = async (what: string) => {
    await page.getByLabel('Simulated receiver on').click()
    await page.getByRole('option', { name: what }).click()
    await page.getByRole('button', { name: 'Connect it' }).click()
    await page.getByRole('button', { name: 'Read all that is left' }).click()
  }
  await turned('Loop, turned for its nulls')
  await expect(page.getByText(/best from a null/)).toBeVisible()
  await page.getByLabel('Keep it as').fill('The loop')
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText('Kept as The loop.')).toBeVisible()
  await page.getByRole('button', { name: 'Begin again' }).click()
  await turned('Small beam of three elements')
  // A half width of 33 degrees, 16 dB behind.
  await expect(answer(page)).toHaveText(
    /^Its beam is [67]\d° wide at −3 dB \(± \d+°\), strongest at (\d|35\d)°; behind it hears 1[567]\.\d dB less\.$/,
  )
  await page.getByLabel('Against').click()
  await page.getByRole('option', { name: 'The loop' }).click()
  await expect(page.getByText(/^Antenna hears farther, by 1[456]\.\d dB/)).toBeVisible()
  await expect(page.getByText(/^The loop has the deeper null/)).toBeVisible()
  await page.getByRole('button', { name: 'Laid flat' }).click()
  await expect(page.getByRole('img', { name: 'Level by angle' })).toBeVisible()

  // A level that is none is asked for again; one at the floor is taken as such.
  page.once('dialog', (d) => void d.accept())
  await page.getByRole('button', { name: 'Upright to flat' }).click()
  await expect(page.getByText('Turn to 0°')).toBeVisible()
  await page.getByLabel('Level', { exact: true }).fill('loud')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/A level such as -63/)).toBeVisible()
  await page.getByLabel('Level', { exact: true }).fill('<-120')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Turn to 10°')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByText('From a file, or simulated').click()
  await page.getByRole('button', { name: 'Connect it' }).click()
  await page.getByRole('button', { name: 'Read all that is left' }).click()
  // 19 dB of isolation; 12 dB are a quarter of the range in free space, a half near the ground.
  await expect(answer(page)).toHaveText(/^Crossed, they lose (1[789]|2[01])\.\d dB/)
  await expect(page.getByRole('row', { name: /12 dB/ })).toContainText('25 %')
  await expect(page.getByRole('row', { name: /12 dB/ })).toContainText('50 %')
  // A known attenuator that does not show in full.
  await page.getByLabel('without').fill('-40')
  await page.getByLabel('with', { exact: true }).fill('-46')
  await expect(page.getByText(/10 dB brought 6.0 dB. The receiver is compressed/)).toBeVisible()
})

test('direction finding: bearings to a fix that holds the hidden transmitter, and where to stand next', async ({
  page,
}) => {
  await page.goto('/bench/bearings')
  const stand = async (lat: string, lon: string) => {
    await page.getByLabel('Latitude', { exact: true }).fill(lat)
    await page.getByLabel('Longitude', { exact: true }).fill(lon)
  }
  // Two that run apart do not cross.
  await page.getByRole('button', { name: 'True', exact: true }).click()
  for (const [lon, bearing] of [
    ['-29.60', '270'],
    ['-29.58', '90'],
  ] as const) {
    await stand('47.30', lon)
    await page.getByLabel('Bearing', { exact: true }).fill(bearing)
    await page.getByRole('button', { name: 'Log it' }).click()
  }
  await expect(answer(page)).toHaveText(/do not cross/)
  await page.getByRole('button', { name: 'Begin again' }).click()

  for (const [lat, lon] of [
    ['47.2952', '-29.6120'],
    ['47.3101', '-29.6210'],
    ['47.3180', '-29.5980'],
    ['47.2890', '-29.5900'],
  ] as const) {
    await stand(lat, lon)
    await page.getByRole('button', { name: 'Read the simulated finder' }).click()
  }
  await expect(answer(page)).toHaveText(/^It is near 47\.\d+, -29\.\d+: with 90 chances of 100 within/)
  await expect(page.getByText(/^They agree within their spreads/)).toBeVisible()
  await expect(
    page.getByText(/Stand .* of it next: one more bearing from there leaves \d+ % of the ellipse/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Show where the simulated transmitter is' }).click()
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText(/^Kept as Bearings of/)).toBeVisible()
  // By compass the declination is taken out, and its model named.
  await page.getByRole('button', { name: 'By compass' }).click()
  await expect(page.getByText(/A compass points 9\.\d° west of true north here \(WMM2025/)).toBeVisible()
  await expectAxeClean(page)
})

test('a data modem with its antenna in and out: the gain with its interval, each port, the speed beside', async ({
  page,
}) => {
  test.setTimeout(60_000)
  await page.goto('/bench/live')
  await page.getByLabel('What', { exact: true }).fill('the roof antenna')
  await page.getByLabel('Read every').fill('0.2')
  await page.getByRole('button', { name: 'Simulated modem' }).click()
  await page.getByRole('button', { name: 'It is out' }).click()
  await page.getByRole('button', { name: 'Read on' }).click()
  const count = async () => Number((await page.getByText(/\d+ read$/).textContent())!.split(' ')[0])
  await expect(page.getByText(/\d+ read$/)).toBeVisible()
  for (const state of ['It is in', 'It is out', 'It is in', 'It is out', 'It is in'] as const) {
    const before = await count()
    await expect.poll(count).toBeGreaterThan(before + 7)
    await page.getByRole('button', { name: state }).click()
  }
  const last = await count()
  await expect.poll(count).toBeGreaterThan(last + 7)
  await page.getByRole('button', { name: 'Stop reading' }).click()
  // 6.5 dB on port 1 and 2 dB on port 2.
  await expect(answer(page)).toHaveText(/^The roof antenna makes RSRP of port 1 [67]\.\d dB stronger/)
  await expect(page.getByText(/^RSRP of port 2: \+[123]\.\d dB/)).toBeVisible()
  await expect(page.getByText(/decide nothing/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText('Kept as the roof antenna.')).toBeVisible()

  // A status that is pasted, and one that is none.
  await page.getByRole('button', { name: 'Begin again' }).click()
  await page.getByRole('button', { name: 'Disconnect' }).click()
  await page.getByText('Type or paste').click()
  await page.getByLabel('A status, as it is shown').fill('all is well')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByText(/No level was found in it/)).toBeVisible()
  await page.getByLabel('A status, as it is shown').fill('port 1: RSRP -97 dBm')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByText('1 read')).toBeVisible()
})

test('every place of the bench fits a telephone', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  for (const place of ['', '/lead', '/turn', '/bearings', '/live']) {
    await page.goto(`/bench${place}`)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expectNoOverflow(page)
    await expectAxeClean(page)
  }
})
