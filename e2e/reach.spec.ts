import { readFileSync } from 'node:fs'
import { expectAxeClean, expectNoOverflow, newGround, openTrial } from './app'
import { expect, test, type Page } from './test'

/** What the map says, once it is as fine as it gets. */
async function said(page: Page): Promise<string> {
  const words = page.locator('[role=status][aria-busy=false]')
  await expect(words).toBeVisible({ timeout: 60_000 })
  return words.innerText()
}

async function taken(page: Page, kind: string): Promise<{ name: string; bytes: Buffer }> {
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: kind, exact: true }).click(),
  ])
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) }
}

test('where one whip wins over the other: areas, ways out, what if, and a place asked for', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings`)
  await page.getByRole('link', { name: /^Reach/ }).click()
  await expect(page.getByText(/^Corrected by \d+ checks at \d+ marks\.$/)).toBeVisible()
  expect(await said(page)).toMatch(/^Of Race course, B covers \d+ % \(\d+ to \d+\), A covers \d+ %/)
  expect(await said(page)).toMatch(/B, Long whip, wins [\d.]+ km² .* that A, Stub whip, does not cover/)

  const areas = page.getByRole('region', { name: 'Areas to be covered' })
  await expect(areas.getByRole('row')).toHaveCount(3)
  await expect(areas.getByText(/km², [\d.]+ km out on \d{3}°/).first()).toBeVisible()
  await expect(page.getByText(/^Each way out, told from the others: the corrected map tells/)).toBeVisible({
    timeout: 90_000,
  })

  await test.step('which is enough, for as much as is needed', async () => {
    const enough = page.getByRole('region', { name: 'Which is enough' })
    await expect(enough.getByRole('row', { name: /Roof quarter-wave/ })).toBeVisible({ timeout: 60_000 })
    // The same share as above: 36 % stands in both places.
    const share = /B covers (\d+ % \(\d+ to \d+\))/.exec(await said(page))![1]!
    await expect(enough.getByRole('row', { name: /Long whip/ })).toContainText(share)
    // Another test may have put a rig of its own into the kit, which hardly ever is.
    await expect(
      page.getByText(/^None (of them is enough\.$|is surely enough; .* a chance of \d of 100\.)/),
    ).toBeVisible()
  })

  await test.step('how far along a way is the figure that the findings say', async () => {
    const ways = page.getByRole('region', { name: 'Along the ways out' })
    const told = ways.getByText(/^(about|all the way|not copied) /)
    await expect(told).toHaveCount(4)
    const far = await told.allInnerTexts()
    const findings = await page.context().newPage()
    await findings.goto(`${trial}/findings/reach`)
    for (const [i, on] of [
      'Stub whip on Shore road',
      'Long whip on Shore road',
      'Stub whip on Over the top',
      'Long whip on Over the top',
    ].entries())
      await expect(findings.getByText(`${on}: ${far[i]}.`, { exact: true })).toBeVisible()
    await findings.close()
  })

  await test.step('one link alone, with its contours named', async () => {
    await page.getByRole('combobox', { name: 'Against' }).click()
    await page.getByRole('option', { name: 'nobody' }).click()
    await expect(page.getByText(/A, Stub whip, covers .* km² of land shown: 90 of 100 calls/)).toBeVisible()
    await expect(page.getByText('A comes through 90 % of the time or more')).toBeVisible()
  })

  await test.step('more power covers more, and it is said that the kit says otherwise', async () => {
    await said(page)
    const before = Number(/covers ([\d.]+) km²/.exec(await said(page))![1])
    const power = page.getByRole('slider', { name: 'Power out there' })
    await power.focus()
    for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight')
    await expect(page.getByText('Not as in the kit:')).toBeVisible()
    await expect(page.getByText(/as far out as 90 of 100 calls/)).toHaveCount(0)
    await expect
      .poll(async () => Number(/covers ([\d.]+) km²/.exec(await said(page))?.[1] ?? 0), { timeout: 30_000 })
      .toBeGreaterThan(before)
    await page.getByRole('button', { name: 'As in the kit again' }).click()
    await expect
      .poll(async () => Number(/covers ([\d.]+) km²/.exec(await said(page))?.[1] ?? 0), { timeout: 30_000 })
      .toBe(before)
  })

  await test.step('a click asks what comes through from there', async () => {
    const map = page.getByRole('region', { name: /^Map of reach/ })
    const box = (await map.boundingBox())!
    await map.click({ position: { x: box.width / 2, y: box.height / 2 } })
    await expect(page.getByText(/km out, bearing \d{3}°: A \d+ of 100 calls; /)).toBeVisible()
  })
})

test('the map is taken out in every form, and each says what it was made with', async ({ page }) => {
  test.setTimeout(180_000)
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/reach`)
  await said(page)
  const geo = await taken(page, 'GeoJSON')
  expect(geo.name).toMatch(/-reach\.geojson$/)
  const { features } = JSON.parse(geo.bytes.toString()) as {
    features: { properties: Record<string, string>; geometry: { type: string } }[]
  }
  const polygons = features.filter((f) => f.geometry.type === 'Polygon')
  expect(polygons.length).toBeGreaterThan(2)
  expect(polygons[0]!.properties.madeWith).toMatch(/Corrected by \d+ checks at \d+ marks\.; Made /)
  expect((await taken(page, 'KML')).bytes.toString()).toMatch(/<name>only B covers it<\/name>/)
  const tiff = await taken(page, 'GeoTIFF')
  expect(tiff.bytes.subarray(0, 2).toString()).toMatch(/II|MM/)
  const kmz = await taken(page, 'KMZ overlay')
  expect(kmz.bytes.subarray(0, 2).toString()).toBe('PK')
  const picture = await taken(page, 'Picture to print')
  expect(picture.bytes.subarray(1, 4).toString()).toBe('PNG')
  expect(picture.bytes.length).toBeGreaterThan(50_000)
})

test('before there is a map it is said what is missing, and the way there', async ({ page }) => {
  await newGround(page, 'No reach yet')
  const trial = new URL(page.url()).pathname.replace('/ground', '')
  await page.goto(`${trial}/reach`)
  await expect(page.getByRole('heading', { name: 'Nothing to predict yet' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Choose what is compared' })).toHaveAttribute(
    'href',
    `${trial}/plan`,
  )
})

test('the map fits a telephone, and is axe clean by day and by night', async ({ page }) => {
  test.setTimeout(120_000)
  const trial = await openTrial(page, 'Short or long')
  await page.setViewportSize({ width: 360, height: 740 })
  await page.goto(`${trial}/reach`)
  await said(page)
  await expectNoOverflow(page)
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme })
    await expectAxeClean(page)
  }
})

test('where the relay goes: what each site adds, and its own map tells the same', async ({ page }) => {
  test.setTimeout(240_000)
  await page.goto(`${await openTrial(page, 'A relay on the hill')}/reach`)
  await expect(page.getByText(/^Corrected by \d+ checks at 13 marks\.$/)).toBeVisible()
  const sites = page.getByRole('region', { name: 'Other bases and relays' })
  await expect(sites.getByRole('row', { name: /North Top/ })).toBeVisible({ timeout: 120_000 })
  // Other tests of this worker may have marked a better place.
  await expect(
    page.getByText(/^Through .+ as a relay \d+ % \(\d+ to \d+\) of the areas to be covered comes through/),
  ).toBeVisible()
  const cells = sites.getByRole('row', { name: /North Top/ }).getByRole('cell')
  const alone = (await cells.first().textContent())!.replace(/\s+/g, ' ').trim()
  expect(alone).toMatch(/^\d+ % \(\d+ to \d+\)$/)
  // From the base alone it is what the map says first.
  const [, base] = /B covers (\d+ % \(\d+ to \d+\))/.exec(await said(page))!
  await expect(sites.getByRole('row', { name: /Harbour/ })).toContainText(base!.split(' (')[0]!)

  await page.getByRole('combobox', { name: 'From' }).click()
  await page.getByRole('option', { name: 'North Top' }).click()
  await expect(page.getByText(`B covers ${alone}, with 90 of 100 calls.`)).toBeVisible({ timeout: 120_000 })
  // A check from there would want a base there first.
  await expect(page.getByRole('heading', { name: 'The next best check' })).toHaveCount(0)

  // All together: what the map says first is what stands under the table, and a place asks all of them.
  const under = await page.getByText(/^For B, .+From at least one of all/).textContent()
  const [, one, two] = /at least one of all (.+?) of the areas.+from at least two (.+?)\.( |$)/.exec(under!)!
  await page.getByRole('combobox', { name: 'From' }).click()
  await page.getByRole('option', { name: /^all \d together$/ }).click()
  await expect(
    page.getByText(
      `${one} of the areas to be covered is covered with 90 of 100 calls, from two or more ${two}.`,
    ),
  ).toBeVisible({ timeout: 120_000 })
  await expect(page.locator('[aria-busy="false"]').getByText(/bases or more/)).toBeVisible({
    timeout: 120_000,
  })
  await expect(page.getByRole('list', { name: 'Key of the map' })).toContainText('to two of them or more')
  await expect(page.getByRole('combobox', { name: 'Against' })).toHaveCount(0)
  await page.getByRole('region', { name: /^Map of reach:/ }).click({ position: { x: 500, y: 200 } })
  await expect(
    page.getByText(/km out, bearing .+Harbour.* \d+ of 100 calls, .+ \d+ of 100 calls/),
  ).toBeVisible()
})
