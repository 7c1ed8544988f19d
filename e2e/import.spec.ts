import { expect, test } from './test'
import { closeKnobs, fixture, openKnobs } from './app'

const FILES = ['ostrey-spring-checks.csv', 'ostrey-spring-kit.json', 'ostrey-spring.gpx'].map(fixture)

test('a day from files to a finding; the same files again change nothing', async ({ page }) => {
  await page.goto('/import')
  const input = page.locator('input[type=file]')
  // Another file first: one row, without any column that is needed.
  await input.setInputFiles({ name: 'wrong.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\n1,2\n') })
  await expect(page.getByRole('heading', { name: '5. Every row: 0 read, 1 not' })).toBeVisible()
  await expect(page.getByLabel('Name of the trial')).toHaveValue('wrong')
  await input.setInputFiles(FILES)
  await expect(page.getByRole('heading', { name: '5. Every row: 177 read, 0 not' })).toBeVisible()
  await expect(page.getByLabel('Name of the trial')).toHaveValue('ostrey spring')
  await expect(page.getByText('readability 5, S9+30').first()).toBeVisible()
  const go = page.getByRole('button', { name: 'Import 177 checks' })
  await expect(go).toBeDisabled()
  await page.getByRole('checkbox', { name: 'Yes, this is what the reports mean' }).check()
  await go.click()
  await page.waitForURL(/findings/)
  await expect(page.getByText(/^Long whip is better than Stub whip by/).first()).toBeVisible()
  const reach = page
    .getByRole('list', { name: 'Rig by rig' })
    .getByRole('listitem')
    .filter({ hasText: 'Stub whip' })
  const before = await reach.textContent()

  const knobs = await openKnobs(page)
  await knobs.getByLabel('Readability').click()
  await page.getByRole('option', { name: 'any, if heard' }).click()
  await closeKnobs(knobs)
  await expect(page.getByText('Copied means heard at all on no more than 2 calls.')).toBeVisible()
  await expect(reach).not.toHaveText(before!)

  await page.goto('/import')
  await input.setInputFiles(FILES)
  await page.getByRole('checkbox', { name: 'Yes, this is what the reports mean' }).check()
  await go.click()
  await expect(page.getByText('This file is already in: nothing was changed.')).toBeVisible()
})

test('broken files are refused with what, where and what would be right; what was open stays', async ({
  page,
}) => {
  await page.goto('/import')
  const input = page.locator('input[type=file]')
  await input.setInputFiles(FILES)
  await expect(page.getByRole('heading', { name: /177 read/ })).toBeVisible()
  await input.setInputFiles({
    name: 'bad.gpx',
    mimeType: 'text/xml',
    buffer: Buffer.from('<gpx><wpt lat="90" lon="1"/></gpx>'),
  })
  await expect(page.getByText('Not taken in; what was open before is still open')).toBeVisible()
  await expect(page.getByText(/at a pole, where bearings mean nothing/)).toBeVisible()
  await expect(page.getByRole('heading', { name: /177 read/ })).toBeVisible()

  const csv = [
    'time_utc,mark,lat,lon,rig,direction,report,tries,note',
    '2026-05-16T08:10:39Z,S01,47.29,-29.55,Stub whip,to base,5 by 9,1,',
    '2026-05-16T25:10:39Z,S02,47.28,-29.54,Stub whip,to base,5 by 9,1,',
    '2026-05-16T08:12:39Z,S02,47.28,-29.54,Beam,to base,5 by 9,1,',
    '2026-05-16T08:14:39Z,S02,47.28,-29.54,Long whip,to base,mumble,1,',
  ].join('\n')
  await input.setInputFiles({ name: 'day-checks.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByText(/"2026-05-16T25:10:39Z" is no time/)).toBeVisible()
  await expect(page.getByText(/the kit has no rig "Beam"/)).toBeVisible()
  await expect(page.getByText(/"mumble": no readability/)).toBeVisible()
  await page.getByRole('checkbox', { name: 'Yes, this is what the reports mean' }).check()
  await expect(page.getByRole('button', { name: 'Import 2 checks' })).toBeDisabled()
  await page.goto('/')
  await expect(page.getByText('day', { exact: true })).toHaveCount(0)
})

test('a spreadsheet with a column a rig, distances of no unit and bare figures asks what they mean', async ({
  page,
}) => {
  await page.goto('/import')
  const input = page.locator('input[type=file]')
  const wide = [
    'sep=;',
    'stop;distance;Stub whip to base;Stub whip from base;Long whip to base;Long whip from base',
    'S1;0,005;5;5;5;5',
    'S2;0,8;4;4;5;5',
    'S3;1,6;3;3;4;4',
    'S4;2,4;2;;3;3',
    'S5;3,2;nil;nil;2;3',
  ].join('\r\n')
  await input.setInputFiles({
    name: 'wide-checks.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(wide, 'latin1'),
  })
  await expect(page.getByText(/a column for each rig and direction\. It is read as a line/)).toBeVisible()
  await expect(
    page.getByText('does not say what 0,005, 0,8, 1,6, 2,4 are in', { exact: false }),
  ).toBeVisible()
  await page.getByRole('radio', { name: /^kilometres: 5 m, 800 m, 1\.6 km, 2\.4 km/ }).check()
  await expect(page.getByRole('heading', { name: '5. Every row: 19 read, 0 not' })).toBeVisible()
  await expect(page.getByText(/Both reported in bare figures/)).toBeVisible()
  await expect(page.getByText('readability 4', { exact: true }).first()).toBeVisible()
  await expect(page.getByText('S1 (line 3) is 5 m from the base')).toBeVisible()
  await page.getByLabel('Frequency (MHz)').fill('459.8')
  for (const [group, power, height] of [
    ['At the base', '25', '8'],
    ['Out there', '2', '1.4'],
  ] as const)
    for (const row of await page.getByRole('group', { name: group }).getByLabel('Power (W)').all()) {
      await row.fill(power)
      await row
        .locator('xpath=ancestor::*[contains(@class,"MuiBox-root")][1]')
        .getByLabel('Height (m)')
        .fill(height)
    }
  await page.getByRole('checkbox', { name: 'Yes, this is what the reports mean' }).check()
  const go = page.getByRole('button', { name: 'Import 19 checks' })
  await expect(go).toBeDisabled()
  await page.getByRole('checkbox', { name: 'Yes, these places are right' }).check()
  await go.click()
  await page.waitForURL(/findings/)
  await expect(page.getByRole('list', { name: 'Rig by rig' }).getByRole('listitem')).toHaveCount(2)
})

test('ground from a GPX file: the base from a waypoint, a leg at its waypoints; a broken file refused', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('Name of the trial').fill('Ground only')
  await page.getByRole('button', { name: 'Start this trial' }).click()
  await page.getByRole('link', { name: /^Ground/ }).click()
  const input = page.locator('input[accept*=".gpx,.kml"]')
  await input.setInputFiles({
    name: 'deep.gpx',
    mimeType: 'text/xml',
    buffer: Buffer.from(`<gpx>${'<a>'.repeat(1000)}`),
  })
  await expect(page.getByText('The file was not taken in')).toBeVisible()
  await input.setInputFiles(fixture('ostrey-spring.gpx'))
  await page.getByLabel('From a waypoint of the file').click()
  await page.getByRole('option', { name: 'BASE' }).click()
  await page.getByRole('button', { name: 'Place the base' }).click()
  await page.getByRole('button', { name: 'Add the leg from the file' }).click()
  await expect(page.getByText('15 marks, out to')).toBeVisible()
  await page.getByLabel('Way', { exact: true }).click()
  await page.getByRole('option', { name: /Over the top/ }).click()
  await page.getByLabel('Marks', { exact: true }).first().click()
  await page.getByRole('option', { name: 'Every so often along it' }).click()
  await page.getByLabel('A mark every (m)').fill('500')
  await page.getByRole('button', { name: 'Add the leg from the file' }).click()
  await expect(page.getByRole('heading', { name: 'Over the top' })).toBeVisible()
})
