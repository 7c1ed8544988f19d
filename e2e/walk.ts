import { expect, type Page } from './test'

/** Clicks and fields of a walk, as a user makes them. */
interface Count {
  clicks: number
  fields: number
}

/** A user's hands: every click and every field filled in is counted. */
export function hands(page: Page) {
  const count: Count = { clicks: 0, fields: 0 }
  return {
    count,
    click: async (role: 'button' | 'link' | 'checkbox' | 'option', name: string | RegExp) => {
      count.clicks++
      await page
        .getByRole(role, { name, exact: typeof name === 'string' })
        .first()
        .click()
    },
    text: async (words: string) => {
      count.clicks++
      await page.getByText(words, { exact: true }).click()
    },
    fill: async (label: string, value: string) => {
      count.fields++
      await page.getByLabel(label, { exact: true }).fill(value)
    },
    pick: async (label: string, option: string | RegExp) => {
      count.clicks += 2
      await page.getByLabel(label, { exact: true }).click()
      await page.getByRole('option', { name: option }).first().click()
    },
  }
}
export type Hands = ReturnType<typeof hands>

/** Sets of a usual kind: those compared, and the one at their other end. */
interface Sets {
  out: string[]
  base?: string
  kind?: string
  /** Those compared stand at the base, and whoever answers is out there. */
  strangers?: boolean
}

/** Begins a trial of a kind and puts sets of a usual kind into its kit. */
export async function beginTrial(page: Page, by: Hands, title: string, kit: Sets): Promise<void> {
  await page.goto('/')
  await by.text(title)
  await by.click('button', 'Start this trial')
  await page.waitForURL(/\/kit$/)
  await addSets(page, by, kit)
}

export async function addSets(page: Page, by: Hands, kit: Sets): Promise<void> {
  await by.click('button', 'Sets of a usual kind')
  if (kit.kind) await by.pick('Kind of set', kit.kind)
  const [mine, other] = kit.strangers
    ? ['At the base, one name a line', 'Out there, whoever answers']
    : ['Out there, one name a line', 'At the base']
  if (kit.out.length > 0) await by.fill(mine!, kit.out.join('\n'))
  if (kit.base !== undefined) await by.fill(other!, kit.base)
  await by.click('button', /^Add (it|\d+ rigs)$/)
  for (const name of kit.out) await expect(page.getByText(name, { exact: true }).first()).toBeVisible()
}

/** A base by coordinates and one leg straight out. */
export async function setGround(
  page: Page,
  by: Hands,
  leg: { bearing: string; every: string; marks: string; name?: string },
): Promise<void> {
  await by.click('link', /^Ground/)
  await by.fill('Latitude', '47.3')
  await by.fill('Longitude', '-29.55')
  await by.click('button', 'Place the base')
  if (leg.name) await by.fill('Name of the leg', leg.name)
  await by.fill('Bearing', leg.bearing)
  await by.fill('A mark every', leg.every)
  await by.fill('Marks', leg.marks)
  await by.click('button', 'Add the leg')
  await expect(page.getByText(new RegExp(`^${leg.marks} marks, out to`))).toBeVisible()
}

/** Saves the plan, and waits until the page holds what was saved. */
export async function savePlan(page: Page, by: Hands): Promise<void> {
  const stored = page.waitForResponse((r) => r.request().method() === 'POST' && r.url().endsWith('/plan'))
  await by.click('button', 'Save the plan')
  await stored
  await page.reload()
  await expect(page.getByRole('button', { name: 'Save the plan' })).toBeDisabled()
}

export async function beginRun(page: Page, by: Hands): Promise<void> {
  await by.click('link', /^Field/)
  await by.click('button', 'Begin the run')
  await page.waitForURL(/\/field\?run=/)
  await expect(page.getByText('all saved')).toBeVisible()
}

/** The check on the screen: its rig, its mark's distance, its direction. */
async function checkNow(page: Page) {
  const rig = ((await page.getByRole('heading', { level: 1 }).textContent()) ?? '').replace(/ · .*$/, '')
  const head = (await page.locator('header').textContent()) ?? ''
  const m = /(\d+(?:\.\d+)?) (km|m)(?![a-z])/.exec(head)
  const distanceM = m ? Number(m[1]) * (m[2] === 'km' ? 1000 : 1) : 0
  const [now] = await page.locator('[aria-current="step"]').allTextContents()
  return { rig, distanceM, direction: now?.replace(', now', '') ?? '' }
}
export type Check = Awaited<ReturnType<typeof checkNow>>

const said = (page: Page) => page.locator('main [role="status"]').last()

/** The place and how many checks are made; how much of it is saved comes and goes by itself. */
const progress = async (page: Page) =>
  ((await page.locator('header').textContent()) ?? '').replace(/ · [^·]*$/, '')

/** Logs one check by what a simulated field says of it; a level under the threshold is not heard. */
export async function logSome(page: Page, log: (check: Check) => Promise<void>): Promise<number> {
  const check = await checkNow(page)
  const before = await progress(page)
  await log(check)
  await expect(said(page)).toContainText(/^(Logged|Sent): /)
  await expect.poll(() => progress(page)).not.toBe(before)
  return 1
}

/** Logs every check that the screen asks for, until a place to stop or the end of the run. */
export async function logAll(page: Page, log: (check: Check) => Promise<void>): Promise<number> {
  let made = 0
  const over = page.getByText(/^(Every check is made or skipped\.|Go on, and stop where you can\.)$/)
  while (!(await over.isVisible())) made += await logSome(page, log)
  return made
}

/**
 * Reports by readability and strength from a level in dB over what can just be heard; a little of the place is in it,
 * the same for every rig at a mark.
 */
export const byPad =
  (page: Page, gainDb: (check: Check) => number) =>
  async (check: Check): Promise<void> => {
    const place = 3 * Math.sin(check.distanceM * 1.7)
    const level = 34 - 40 * Math.log10(Math.max(100, check.distanceM) / 400) + place + gainDb(check)
    if (level < 0) return page.keyboard.press('n')
    await page.keyboard.press(`Digit${Math.min(5, 1 + Math.floor(level / 5))}`)
    await page.keyboard.press(`Shift+Digit${Math.max(1, Math.min(9, Math.round(1 + level / 6)))}`)
    await page.keyboard.press('Enter')
  }

/** Ends a run that asks for no more checks by itself, from the menu. */
export async function finishEarly(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByText('The end of the run').click()
  await page.getByRole('button', { name: 'Finish this run' }).click()
}

/** Ends the run and reads what was found, on the first screen of the findings. */
export async function findings(page: Page): Promise<string> {
  const end = page.getByRole('heading', { name: /^(Every check is made or skipped|This run is finished)\.$/ })
  await expect(end).toBeVisible()
  if ((await end.textContent()) === 'Every check is made or skipped.')
    await page.getByRole('button', { name: 'Finish this run' }).click()
  await page.getByRole('link', { name: 'Read the findings' }).click()
  const lead = page.getByRole('region', { name: 'Answer' }).getByRole('heading', { level: 2 })
  await expect(lead).not.toBeEmpty({ timeout: 60_000 })
  return (await lead.textContent()) ?? ''
}

/** Puts an attenuator in out there, from the menu. */
export async function putAttenuator(page: Page, db: number): Promise<void> {
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByText('Changes: attenuator, rigs, legs').click()
  await page.getByRole('button', { name: 'Both ways' }).click()
  await page.getByLabel('Attenuation').fill(String(db))
  await page.getByRole('button', { name: 'It is in now' }).click()
  await expect(page.getByText(`${db} dB is in for all rigs, both ways.`)).toBeVisible()
  await page.getByRole('button', { name: 'Back to the log' }).click()
}
