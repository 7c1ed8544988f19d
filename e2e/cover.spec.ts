import { expect, test, type Page } from './test'
import Database from 'better-sqlite3'
import { readFileSync } from 'node:fs'
import { expectStill, expectAxeClean, expectNoOverflow, newGround, openTrial } from './app'

const mapFile = (page: Page) => page.locator('input[accept*=".kml"]')
const kml = (inner: string) =>
  Buffer.from(`<kml xmlns="http://www.opengis.net/kml/2.2"><Document>${inner}</Document></kml>`)
const areas = (page: Page) => page.getByRole('region', { name: 'What stands on it' })

test('a wood typed by its corners stands on the way, is seen in the profile and weakens what lies behind it', async ({
  page,
}) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/ground`)
  await page.getByText('Its marks').first().click()
  await page.getByRole('button', { name: 'Profile to S12' }).click()
  const profile = page.getByRole('region', { name: 'Profile' })
  const stub = profile.getByRole('row', { name: /Stub whip/ })
  await expect(stub).toBeVisible()
  const before = (await stub.textContent())!
  await areas(page).getByText('Or type its corners').click()
  const corners = areas(page).getByLabel('Latitude, longitude: a corner a line')
  await corners.fill('47.29 -29.52\nnorth of it\n47.28 -29.49')
  await areas(page).getByRole('button', { name: 'Make an area of these' }).click()
  await expect(areas(page).getByText('Line 2, "north of it", is no place')).toBeVisible()
  await corners.fill('47.30 -29.505\n47.30 -29.485\n47.27 -29.485\n47.27 -29.505')
  await areas(page).getByRole('button', { name: 'Make an area of these' }).click()
  await areas(page).getByLabel('Name').fill('Shore wood')
  await areas(page).getByLabel('Height of the trees').fill('tall')
  await expect(areas(page).getByRole('button', { name: 'Keep the area' })).toBeDisabled()
  await areas(page).getByLabel('Height of the trees').fill('18')
  await areas(page).getByRole('button', { name: 'Keep the area' }).click()
  await expect(areas(page).getByText('wood, 18 m high')).toBeVisible()
  await expect(profile.getByText(/through wood takes \d+ dB/)).toBeVisible()
  await expect(stub).not.toHaveText(before)
  await areas(page).getByRole('button', { name: 'Change Shore wood' }).click()
  await areas(page).getByLabel('What is there').click()
  await page.getByRole('option', { name: 'open ground' }).click()
  await areas(page).getByRole('button', { name: 'Save it' }).click()
  await expect(profile.getByText(/through wood takes/)).toHaveCount(0)
  await areas(page).getByRole('button', { name: 'Delete Shore wood' }).click()
  await expect(areas(page).getByText('Shore wood')).toHaveCount(0)
  await expect(stub).toHaveText(before)
})

test('an area is drawn on the map; ground to be covered leads to its share under Reach', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/ground`)
  const sites = page.getByRole('region', { name: 'Sites and heights' })
  await expect(sites.getByText('How much of Race course each of them covers')).toBeVisible()
  await expect(sites.getByText(/\d+ of 28/).first()).toBeVisible()
  await areas(page).getByRole('button', { name: 'Draw an area on the map' }).click()
  await expect(areas(page).getByText('Click its corners on the map')).toBeVisible()
  await expectStill(page.getByRole('region', { name: /^Map:/ }))
  const box = (await page.getByRole('region', { name: /^Map:/ }).boundingBox())!
  for (const [x, y] of [
    [500, 60],
    [620, 60],
    [620, 180],
    [500, 180],
    [500, 60],
  ])
    await page.mouse.click(box.x + x!, box.y + y!, { delay: 30 })
  await areas(page).getByLabel('What is there').click()
  await page.getByRole('option', { name: 'ground to be covered' }).click()
  await areas(page).getByLabel('Name').fill('Far side')
  await areas(page).getByRole('button', { name: 'Keep the area' }).click()
  await expect(sites.getByText(/How much of Race course and Far side|Far side and Race course/)).toBeVisible()
  await page.getByLabel('Rings of expected reach').check()
  await expect(page.getByText(/^To expect 90 times in 100, round the base:/)).toBeVisible()
  await expect(page.getByText(/half the bearings \d/).first()).toBeVisible()
  await areas(page).getByRole('button', { name: 'Delete Far side' }).click()
  await expect(areas(page).getByText('Far side')).toHaveCount(0)
  // The share itself has one place.
  await sites.getByRole('link', { name: 'Reach' }).click()
  await expect(page.getByRole('heading', { name: 'Other bases and relays' })).toBeVisible()
})

test('KML brings places, ways and areas; what is none is refused in a sentence', async ({ page }) => {
  await newGround(page, 'From KML')
  const file = (name: string, buffer: Buffer) =>
    mapFile(page).setInputFiles({ name, mimeType: 'application/octet-stream', buffer })
  await file('link.kml', kml('<NetworkLink><Link><href>http://a/</href></Link></NetworkLink>'))
  await expect(page.getByText(/only links to another one on a network, and nothing is fetched/)).toBeVisible()
  await file('cut.kmz', Buffer.from('PK\x03\x04 cut'))
  await expect(page.getByText(/It cannot be unpacked; it is cut short or no zip archive/)).toBeVisible()
  await file(
    'a.geojson',
    Buffer.from(
      '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Point","coordinates":[47.3,-129]}}]}',
    ),
  )
  await expect(page.getByText(/a\.geojson, feature 1/)).toBeVisible()
  await file(
    'ours.kml',
    kml(`<Placemark><name>Pier</name><Point><coordinates>-29.5577,47.2988</coordinates></Point></Placemark>
      <Placemark><name>Lane end</name><Point><coordinates>-29.54,47.30</coordinates></Point></Placemark>
      <Placemark><name>Lane</name><LineString><coordinates>-29.5577,47.2988 -29.54,47.30 -29.52,47.30</coordinates></LineString></Placemark>
      <Placemark><name>Copse</name><Polygon><outerBoundaryIs><LinearRing><coordinates>-29.53,47.29 -29.52,47.29 -29.52,47.295 -29.53,47.29</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark>`),
  )
  await expect(page.getByLabel('1 of 1 do not say what they are; take them as')).toBeVisible()
  await page.getByRole('button', { name: 'Take in the area' }).click()
  await expect(areas(page).getByText('Copse')).toBeVisible()
  await page.getByLabel('From a waypoint of the file').click()
  await page.getByRole('option', { name: 'Pier' }).click()
  await page.getByRole('button', { name: 'Place the base' }).click()
  await expect(page.getByRole('heading', { name: 'Add a leg from ours.kml' })).toBeVisible()
  await page.getByLabel('Marks', { exact: true }).first().click()
  await page.getByRole('option', { name: 'Every so often along it' }).click()
  await page.getByRole('button', { name: 'Add the leg from the file' }).click()
  await expect(page.getByText(/5 marks, out to 2\.\d km/)).toBeVisible()

  await page.getByText('Take the map out').click()
  for (const [kind, found] of [
    ['GPX', /<wpt lat="47.2988" lon="-29.5577">/],
    ['KML', /<name>Copse<\/name>/],
    ['GeoJSON', /"kind": "wood"/],
  ] as const) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: kind, exact: true }).click(),
    ])
    expect(download.suggestedFilename()).toBe(`from-kml.${kind.toLowerCase()}`)
    expect(readFileSync((await download.path())!, 'utf8')).toMatch(found)
  }
  await areas(page).getByRole('button', { name: 'Delete Copse' }).click()
  await expect(areas(page).getByText('Copse')).toHaveCount(0)
})

test('a base without coordinates: marks by tape, one pegged and measured later', async ({ page }) => {
  await newGround(page, 'By tape')
  await page.getByLabel('No coordinates: distances are by tape, wheel or paces').check()
  await page.getByLabel('Name of the place').fill('')
  await page.getByRole('button', { name: 'Place the base' }).click()
  await expect(page.getByText('Name the place, such as "Harbour"')).toBeVisible()
  await page.getByLabel('Name of the place').fill('Yard')
  await page.getByRole('button', { name: 'Place the base' }).click()
  await expect(page.getByText('without coordinates')).toBeVisible()
  await page.getByText('Add marks by tape, wheel or paces').click()
  const form = page.getByRole('group', { name: 'Marks by tape, wheel or paces' })
  await form.getByLabel('Name of the leg').fill('Down the lane')
  await form.getByRole('button', { name: 'Add these marks' }).click()
  await expect(form.getByText(/Write the distances with blanks between them/)).toBeVisible()
  await form.getByLabel('Measured by').click()
  await page.getByRole('option', { name: /^pegged/ }).click()
  await expect(form.getByLabel('Good to')).toHaveValue('25')
  await form.getByLabel(/^Distances from the base/).fill('40 80, 160')
  await expect(form.getByText('3 marks')).toBeVisible()
  await form.getByRole('button', { name: 'Add these marks' }).click()
  await expect(page.getByText('3 marks, out to 160 m')).toBeVisible()
  await expect(page.getByText('pegged, not measured yet')).toHaveCount(3)
  await page.getByRole('button', { name: 'Measure D02' }).click()
  const measure = page.getByRole('group', { name: 'Measure D02' })
  await measure.getByLabel('Distance').fill('91,5')
  await measure.getByRole('button', { name: 'Measured' }).click()
  await expect(page.getByRole('cell', { name: /92 m ± 1 m.*by tape/ })).toBeVisible()
  await expect(page.getByText('pegged, not measured yet')).toHaveCount(2)
})

test('a map of one’s own lies under it all; what is no MBTiles file is refused', async ({ page }, info) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/ground`)
  await page.getByText('A map of your own under it all').click()
  const input = page.locator('input[accept=".mbtiles"]')
  await input.setInputFiles({
    name: 'no.mbtiles',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from('no'),
  })
  await expect(page.getByText(/It cannot be read as an MBTiles file/)).toBeVisible()
  const path = info.outputPath('own.mbtiles')
  const made = new Database(path)
  made.exec(
    'create table metadata (name text, value text); create table tiles (zoom_level integer, tile_column integer, tile_row integer, tile_data blob)',
  )
  // One picture for the whole world, of one dot.
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  made.prepare('insert into tiles values (0, 0, 0, ?)').run(dot)
  made.close()
  await input.setInputFiles(path)
  await expect(page.getByText('levels 0 to 0')).toBeVisible()
  const tile = page.waitForResponse((r) => /\/api\/backdrops\/.*\/0\/0\/0$/.test(r.url()))
  await page.getByLabel('Ground drawn as').click()
  await page.getByRole('option', { name: 'own.mbtiles' }).click()
  expect((await tile).headers()['content-type']).toBe('image/png')
  await page.getByRole('button', { name: 'Delete own.mbtiles' }).click()
  await expect(page.getByLabel('Ground drawn as')).toHaveCount(0)
})

test('a leg that leaves the ground is predicted as far as it is known, and says so', async ({ page }) => {
  await newGround(page, 'Off the edge')
  await page.getByLabel('Name of the place').fill('Pier')
  await page.getByLabel('Latitude').first().fill('47.3')
  await page.getByLabel('Longitude').first().fill('-29.55')
  await page.getByRole('button', { name: 'Place the base' }).click()
  await page.getByLabel('Name of the leg').fill('Westward')
  await page.getByLabel('Bearing').fill('270')
  await page.getByLabel('A mark every').fill('1000')
  await page.getByLabel('Marks', { exact: true }).fill('9')
  await page.getByRole('button', { name: 'Add the leg', exact: true }).click()
  await expect(page.getByText(/It leaves the ground that is known past \d/)).toBeVisible()
  await expect(page.getByText(/W0\d.* (is|are) not predicted\. Bring in the tile beside\./)).toBeVisible()
})

test('with all of it open the step is axe clean and fits 360 px', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/ground`)
  await page.getByText('Or type its corners').click()
  await page.getByText('A map of your own under it all').click()
  await page.getByText('Add marks by tape, wheel or paces').click()
  await page.getByText('Take the map out').click()
  await page.getByLabel('Rings of expected reach').check()
  await expect(page.getByText(/half the bearings \d/).first()).toBeVisible()
  await expectAxeClean(page)
  await page.setViewportSize({ width: 360, height: 740 })
  await expectNoOverflow(page)
})
