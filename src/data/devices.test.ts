import { beforeEach, describe, expect, it } from 'vitest'
import type { Db } from './connection'
import {
  deviceOfToken,
  getDevice,
  givenRuns,
  giveRun,
  invitationUsed,
  invite,
  listDevices,
  pair,
  PAIRING_MS,
  renameDevice,
  revokeDevice,
  sawDevice,
  takeRunBack,
} from './devices'
import { device, pairing } from './schema'
import { freshDatabase } from './testing/database'
import { startRun } from './runs'
import { addTrial, openTrial, planOf } from './trials'

let db: Db
let runId: string
beforeEach(() => {
  db = freshDatabase().db
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const plan = planOf(openTrial(db, trialId)!)
  runId = startRun(db, trialId, 'Morning', plan, { note: '', fixedBeforehand: true, imported: false })
})
const given = () => ({ runId, post: 'out there' as const, rigIds: [] })
const AS = { name: 'Hill telephone', role: 'field' as const, runs: [] }
const brought = (typed: string, now?: number) => {
  const made = pair(db, typed, now)
  if (!made.ok) throw new Error(made.problems[0]!.message)
  return made.value
}

describe('bringing a device in', () => {
  it('takes the words once, and the device is known by its token from then on', () => {
    const { id, words } = invite(db, { ...AS, runs: [given()] })
    expect(words.split(' ')).toHaveLength(6)
    expect(invitationUsed(db, id)).toBe(false)
    const { device: made, token } = brought(words.toUpperCase())
    expect(made).toMatchObject({ name: 'Hill telephone', role: 'field', revokedAt: null, runs: [given()] })
    expect(token).toMatch(/^[\w-]{43}$/)
    expect(deviceOfToken(db, token)).toEqual(made)
    expect(invitationUsed(db, id)).toBe(true)
    const again = pair(db, words)
    expect(again).toMatchObject({ ok: false, problems: [{ message: /brought in with these words already/ }] })
  })

  it('neither words nor token lie in the database', () => {
    const { words } = invite(db, AS)
    const { token } = brought(words)
    const all = JSON.stringify([db.select().from(pairing).all(), db.select().from(device).all()])
    expect(all).not.toContain(words)
    expect(all).not.toContain(token)
  })

  it.each([
    ['words that are over', PAIRING_MS, null, /ten minutes, which are over/],
    ['other words', 0, 'acorn acorn acorn acorn acorn acorn', /No device is waited for/],
    ['five words', 0, 'acorn acorn acorn acorn acorn', /six words/],
  ])('refuses %s', (_, later, typed, why) => {
    const now = Date.now()
    const { words } = invite(db, AS, now)
    const no = pair(db, typed ?? words, now + later)
    expect(no).toMatchObject({ ok: false, problems: [{ message: expect.stringMatching(why) as string }] })
    expect(listDevices(db)).toEqual([])
  })

  it('a run that is gone meanwhile is not given', () => {
    const { words } = invite(db, { ...AS, runs: [{ ...given(), runId: 'gone' }] })
    expect(brought(words).device.runs).toEqual([])
  })
})

describe('devices', () => {
  it('are renamed, given runs and posts, and revoked', () => {
    const { device: made, token } = brought(invite(db, AS).words)
    expect(renameDevice(db, made.id, 'Valley telephone').ok).toBe(true)
    expect(giveRun(db, made.id, given()).ok).toBe(true)
    expect(giveRun(db, made.id, { ...given(), post: 'base', rigIds: ['l0'] }).ok).toBe(true)
    expect(givenRuns(db, made.id)).toMatchObject([{ id: runId, post: 'base', rigIds: ['l0'] }])
    expect(takeRunBack(db, made.id, runId).ok).toBe(true)
    expect(givenRuns(db, made.id)).toEqual([])
    expect(revokeDevice(db, made.id).ok).toBe(true)
    const first = deviceOfToken(db, token)!
    expect(first).toMatchObject({ name: 'Valley telephone', revokedAt: expect.any(String) as string })
    // A second time leaves the first date.
    revokeDevice(db, made.id)
    expect(getDevice(db, made.id)!.revokedAt).toBe(first.revokedAt)
  })

  it('that are not there are said to be gone', () => {
    for (const no of [renameDevice(db, 'x', 'y'), revokeDevice(db, 'x'), giveRun(db, 'x', given())])
      expect(no).toMatchObject({ ok: false, problems: [{ message: /no longer in the list/ }] })
    const { device: made } = brought(invite(db, AS).words)
    expect(giveRun(db, made.id, { ...given(), runId: 'gone' }).ok).toBe(false)
  })

  it('are seen, and that is written down every half minute at most', () => {
    const now = Date.now()
    const { device: made } = brought(invite(db, AS, now).words, now)
    sawDevice(db, made, now + 5_000)
    expect(getDevice(db, made.id)!.lastSeenAt).toBe(made.lastSeenAt)
    sawDevice(db, made, now + 40_000)
    expect(getDevice(db, made.id)!.lastSeenAt).toBe(new Date(now + 40_000).toISOString())
  })
})
