import { expect, test, type Page } from './test'
import { expectAxeClean, expectNoOverflow, openTrial } from './app'

const SUMS = ['db', 'element', 'endurance', 'attenuator', 'people'].map((s) => `kit/sums?sum=${s}`)
const SCREENS = {
  steps: ['plan', 'ground', 'field', 'reach'],
  findings: ['', '/reach', '/differences', '/changes', '/checks', '/next', '/summary'].map(
    (place) => `findings${place}`,
  ),
  kit: ['kit', 'kit/rig/new', 'kit/parts', 'kit/compare', 'kit/pack', 'kit/rules', ...SUMS],
  bench: ['bench', 'bench/lead', 'bench/turn', 'bench/bearings', 'bench/live'],
}

const coloursSettled = (page: Page) =>
  page.evaluate(async () => {
    const turning = document.getAnimations().filter((a) => a instanceof CSSTransition)
    await Promise.allSettled(turning.map((a) => a.finished))
  })

/** By day and by night, at a desk and on a telephone. */
async function expectFitToRead(page: Page, path: string) {
  await page.goto(path)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme })
    await coloursSettled(page)
    await expectAxeClean(page)
  }
  await page.setViewportSize({ width: 360, height: 740 })
  await expectNoOverflow(page)
  await page.emulateMedia({ colorScheme: 'light' })
  await page.setViewportSize({ width: 1280, height: 800 })
}

for (const [name, screens] of Object.entries(SCREENS))
  test(`axe clean by day and by night, nothing over the edge at 360 px: ${name}`, async ({ page }) => {
    test.setTimeout(240_000)
    const trial = await openTrial(page, 'Short or long')
    for (const screen of screens) await expectFitToRead(page, `${trial}/${screen}`)
  })

test('axe clean by day and by night, nothing over the edge at 360 px: the list and the import', async ({
  page,
}) => {
  for (const path of ['/', '/import']) await expectFitToRead(page, path)
})

test('the field screen is axe clean by sun and by night, and fits a telephone without scrolling', async ({
  page,
}) => {
  const trial = await openTrial(page, 'Four or eight')
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${trial}/field`)
  await page.getByRole('link', { name: 'Go on logging' }).last().click()
  await page.waitForURL(/\/field\?run=/)
  await expect(page.getByRole('button', { name: 'Not heard', exact: true })).toBeVisible()
  await expectAxeClean(page)
  await page.getByRole('button', { name: 'Night' }).click()
  await page.getByRole('button', { name: 'Night? Tap again' }).click()
  await expectAxeClean(page)
  for (const [width, height] of [
    [390, 844],
    [360, 640],
  ] as const) {
    await page.setViewportSize({ width, height })
    await expectNoOverflow(page)
    const low = await page.evaluate(() =>
      Math.max(...[...document.querySelectorAll('main button')].map((b) => b.getBoundingClientRect().bottom)),
    )
    expect(low).toBeLessThanOrEqual(height)
  }
  const small = await page
    .getByRole('group', { name: 'Readability' })
    .getByRole('button')
    .evaluateAll(
      (all) =>
        all.filter((b) => b.getBoundingClientRect().height < 64 || b.getBoundingClientRect().width < 64)
          .length,
    )
  expect(small).toBe(0)
})

test('on a telephone the rail shows the step that is open', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const trial = await openTrial(page, 'Short or long')
  for (const step of ['findings', 'kit', 'field']) {
    await page.goto(`${trial}/${step}`)
    const open = page.getByRole('navigation', { name: 'Steps' }).locator('[aria-current]')
    await expect(open).toBeInViewport({ ratio: 1 })
  }
})

test('the reach strip is walked by arrow keys, and Enter opens a check', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings/reach`)
  const first = page.locator('[data-place="0-0"]')
  await first.focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.locator('[data-place="0-1"]')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-place^="1-"]:focus')).toHaveCount(1)
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^Long whip, (to|from) base, mark [ST]\d\d/)).toBeVisible()
  await page.keyboard.press('End')
  await page.keyboard.press('Escape')
  await page.getByText(/^The strip as a table/).click()
  await page.getByRole('button', { name: 'Copy the checks as CSV' }).click()
  await expect(page.getByRole('status').getByText('Copied', { exact: true })).toBeVisible()
})

test('a void run says so, and units are never mixed', async ({ page }) => {
  const trial = await openTrial(page, 'Short or long')
  await page.goto(`${trial}/findings`)
  await page.getByLabel('Run').click()
  await page.getByRole('option', { name: /First try, March/ }).click()
  await expect(page.getByText(/This run is void: The antenna plug/)).toBeVisible()
  await page.getByRole('button', { name: 'mi, ft' }).click()
  await page.goto(`${trial}/ground`)
  await expect(page.getByText(/out to 3\.\d mi/).first()).toBeVisible()
  await expect(page.getByText(/\d km/)).toHaveCount(0)
})

test('a trial that cannot tell says so, and what would', async ({ page }) => {
  const trial = await openTrial(page, 'Jacket pocket')
  await page.goto(`${trial}/findings`)
  await expect(page.getByText(/^Cannot tell Jacket pocket from In the hand yet/).first()).toBeVisible()
  await expect(page.getByText(/About \d+ more marks would settle/).first()).toBeVisible()
})

test('an address that names nothing is answered plainly', async ({ page }) => {
  const response = await page.goto('/trials/none/plan')
  expect(response!.status()).toBe(404)
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
})

interface Started extends Window {
  ready?: boolean
  takenOut?: string[]
}

test('what a page came styled with stays as it starts, and a map asks for no letters but its own', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const here = window as Started
    const takenOut: string[] = (here.takenOut = [])
    addEventListener('page-ready', () => (here.ready = true))
    new MutationObserver((changes) => {
      for (const { removedNodes } of changes)
        for (const node of removedNodes)
          if (node.nodeName === 'STYLE') takenOut.push((node.textContent ?? '').slice(0, 80))
    }).observe(document, { childList: true, subtree: true })
  })
  const trial = await openTrial(page, 'Short or long')
  for (const screen of ['kit', 'plan', 'findings/reach', 'ground']) {
    await page.goto(`${trial}/${screen}`)
    await page.waitForFunction(() => (window as Started).ready)
    expect(await page.locator('style[data-emotion]').count()).toBeGreaterThan(0)
    expect(await page.evaluate(() => (window as Started).takenOut), screen).toEqual([])
  }
  await expect(page.locator('.ol-viewport canvas').first()).toBeVisible()
  const asked = await page.evaluate(() =>
    [...document.fonts].filter((f) => f.status !== 'unloaded').map((f) => f.unicodeRange.split('-')[0]),
  )
  expect([...new Set(asked)]).toEqual(['U+0'])
})
