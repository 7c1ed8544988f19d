import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from './test'
import { fileURLToPath } from 'node:url'

export const fixture = (name: string) => fileURLToPath(new URL(`./fixtures/${name}`, import.meta.url))

/** Opens a trial of the demo by the beginning of its name; answers with its address. */
export async function openTrial(page: Page, name: string): Promise<string> {
  await page.goto('/')
  const link = page.getByRole('listitem').getByRole('link', { name: new RegExp(`^${name}`) })
  const href = await link.first().getAttribute('href')
  return href!.split('/').slice(0, 3).join('/')
}

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']

export async function expectAxeClean(page: Page) {
  // Nothing of ours stands in a frame of another origin, which is all that the slower way is for.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'], runOnly: { type: 'tag', values: WCAG } })
    .analyze()
  expect(
    violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')}`,
    ),
  ).toEqual([])
}

/** Nothing widens the page, once it has taken on its width. */
export async function expectNoOverflow(page: Page) {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth))
    .toBeLessThanOrEqual(0)
}

/** What is seen of a part does not change any more. */
export async function expectStill(part: Locator) {
  await expect(async () => {
    const before = await part.screenshot()
    expect(before.equals(await part.screenshot())).toBe(true)
  }).toPass()
}

/** So much time has gone by on the page's own clock, ms. */
export async function clockMoved(page: Page, ms: number) {
  const now = () => page.evaluate(() => Date.now())
  const from = await now()
  await expect.poll(now, { intervals: [100] }).toBeGreaterThanOrEqual(from + ms)
}

/** The page and all its parts are on the device. */
export const kept = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready
    const shell = async () =>
      (
        await Promise.all(
          (await caches.keys()).map(async (k) => (await (await caches.open(k)).keys()).length),
        )
      ).reduce((a, b) => a + b, 0)
    while ((await shell()) < 20) await new Promise((r) => setTimeout(r, 200))
  })

/** Starts a trial of its own and opens its ground. */
export async function newGround(page: Page, name: string) {
  await page.goto('/')
  await page.getByLabel('Name of the trial').fill(name)
  await page.getByRole('button', { name: 'Start this trial' }).click()
  await page.waitForURL(/\/trials\/[^/]+\/kit$/)
  await page.getByRole('link', { name: /^Ground/ }).click()
  await expect(page.getByRole('heading', { name: 'Ground', level: 1 })).toBeVisible()
}

/** What a button that copies put on the clipboard, read once it says that it did. */
export async function copied(button: Locator): Promise<string> {
  await button.click()
  await expect(button.locator('xpath=following-sibling::*[1]')).toHaveText('Copied')
  return button.page().evaluate(() => navigator.clipboard.readText())
}

/** Opens the panel of knobs over a place of the findings. */
export async function openKnobs(page: Page): Promise<Locator> {
  await page
    .getByRole('button', { name: /^(Read it another way|Choose others)$/ })
    .first()
    .click()
  const panel = page.getByRole('dialog', { name: 'Read it another way' })
  await expect(panel).toBeVisible()
  return panel
}

/** Closes it, once what was asked for is worked out. */
export async function closeKnobs(panel: Locator) {
  await expect(panel.getByRole('status').first()).toHaveText('', { timeout: 60_000 })
  await panel.getByRole('button', { name: 'Done' }).click()
  await expect(panel).toHaveCount(0)
}
