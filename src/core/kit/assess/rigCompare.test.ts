import { describe, expect, it } from 'vitest'
import {
  compareRigs,
  fairnessWords,
  figuresOfAssembly,
  makeSame,
  partDifferences,
  type Attribute,
  type ComparedRig,
} from '..'
import { built, kit } from '@/core/testing/kit'
import type { Assembly } from '../rig/assembly'
import type { Rig } from '../rig/rig'

const settings = { txMHz: 460, rxMHz: null, powerW: 2, antennaHeightM: 1.4 }
const compared = (letter: string, assembly: Assembly | null, more: Partial<Rig> = {}): ComparedRig => {
  const at = { ...settings, ...more }
  const figures = assembly
    ? figuresOfAssembly(assembly, at, kit)
    : { antennaGainDbi: null, leadLossDb: 0, attenuatorDb: 0, attenuatorAt: 'both ways' as const }
  return {
    rig: { id: letter, letter, name: `Rig ${letter}`, kind: 'handheld', ...at, ...figures, ...more },
    assembly,
    bandwidthKHz: 11,
    mode: 'FM',
  }
}

describe('an unfair comparison', () => {
  const a = compared('A', built('handheld-uhf', ['stub'], { mount: 'at-chest' }))
  const b = compared('B', built('handheld-uhf', ['long-whip'], { mount: 'at-chest' }))
  const c = compared('C', built('mobile-uhf', ['car-lead', 'roof-quarter'], { mount: 'magnet' }), {
    powerW: 25,
    antennaHeightM: 2.1,
  })
  const fates = (rigs: ComparedRig[]) =>
    Object.fromEntries(compareRigs(rigs, kit).map((r) => [r.attribute, r.fate]))
  it('two rigs that differ in the antenna alone are fair', () => {
    expect(fates([a, b]).antenna).toBe('the question')
    expect(fairnessWords(compareRigs([a, b], kit))).toMatchObject({ fair: true })
    // The match of each whip is a known difference too; evening takes it out.
    expect(fates([a, b]).lead).toBe('taken out')
  })
  it('says what evening takes out and what it cannot', () => {
    expect(fates([b, c])).toMatchObject({
      power: 'taken out',
      lead: 'taken out',
      height: 'left in',
      carried: 'left in',
      radio: 'left in',
      channel: 'same',
    })
    const { fair, words } = fairnessWords(compareRigs([b, c], kit))
    expect(fair).toBe(false)
    expect(words).toMatch(
      /differ in 4 things at once: antenna; height over ground; mount, on the body; radio/,
    )
  })
  it('a lead that is not known stays in, and crossed polarisation says how much it could be', () => {
    expect(fates([compared('X', null, { leadLossDb: null }), a]).lead).toBe('not known')
    const crossed = compareRigs(
      [compared('P', built('handheld-uhf', ['stub'])), compared('Q', built('handheld-uhf', ['dipole']))],
      kit,
    )
    expect(crossed.find((r) => r.attribute === 'polarisation')!.why).toContain('up to 20 dB')
  })
  it('between linear and circular it is 3 dB', () => {
    const round = built('handheld-uhf', ['long-whip'])
    const ring = { ...round, ports: [{ ...round.ports[0]!, polarisation: 'circular' as const }] }
    const row = compareRigs([compared('L', round), compared('R', ring)], kit).find(
      (r) => r.attribute === 'polarisation',
    )!
    expect(row).toMatchObject({ fate: 'left in', values: ['vertical', 'circular'] })
    expect(row.why).toContain('linear and circular it is 3 dB')
  })
  it('makes one attribute the same, and leaves the rest', () => {
    for (const attribute of [
      'height',
      'lead',
      'carried',
      'radio',
      'antenna',
      'channel',
      'mode',
      'pointing',
      'along',
      'polarisation',
      'attenuator',
    ] as Attribute[]) {
      const made = makeSame(c, b, attribute, kit)
      expect(made.ok).toBe(true)
      if (!made.ok) continue
      const rows = compareRigs(
        [
          compared('B', b.assembly),
          compared('C', made.value.assembly, {
            ...made.value.rig,
            ...(made.value.assembly ? figuresOfAssembly(made.value.assembly, made.value.rig, kit) : {}),
          }),
        ],
        kit,
      )
      const row = rows.find((r) => r.attribute === attribute)!
      // The lead's row holds its loss with the antenna's match, so only its parts can be made the same.
      if (attribute === 'lead') expect(row.values.every((v) => v.startsWith('none'))).toBe(true)
      else expect(row.fate).toBe('same')
    }
    expect(makeSame(b, c, 'power', kit)).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('no setting of 25 W') }],
    })
    expect(makeSame(compared('X', null), b, 'carried', kit).ok).toBe(false)
    expect(makeSame(compared('X', null), compared('Y', null, { leadLossDb: 3 }), 'lead', kit)).toMatchObject({
      ok: true,
      value: { rig: { leadLossDb: 3 } },
    })
  })
  it('compares a variant with its origin part by part', () => {
    expect(partDifferences(a.assembly!, b.assembly!, kit)).toEqual([
      { only: 'first', name: 'Stub whip, 8 cm' },
      { only: 'second', name: 'Long whip, 40 cm' },
    ])
  })
})
