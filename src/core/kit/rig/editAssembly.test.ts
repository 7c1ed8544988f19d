import { describe, expect, it } from 'vitest'
import {
  applyFix,
  assessRig,
  cautionsOf,
  changePort,
  EMPTY_ASSEMBLY,
  moveItem,
  placeParts,
  putPart,
  setTwoPorts,
  takeOut,
  type Assembly,
} from '..'
import { built, kit } from '@/core/testing/kit'

const part = (id: string) => kit.find((p) => p.id === id)!
const put = (assembly: Assembly, ...ids: string[]) =>
  ids.reduce((a, id) => putPart(a, part(id), kit, 0), assembly)
const chain = (a: Assembly) => a.ports[0]!.items.map((i) => `${i.flipped ? 'turned ' : ''}${i.partId}`)
const at = { txMHz: 460, rxMHz: null, powerW: 25, antennaHeightM: 8 }

describe('putting a rig together', () => {
  it('each part goes where it belongs, turned the way round that mates', () => {
    const a = put(
      EMPTY_ASSEMBLY,
      'mobile-uhf',
      'collinear',
      'n-uhf',
      'lead-10-20',
      'clamp',
      'mast-8',
      'radials',
    )
    expect(a).toMatchObject({
      radioId: 'mobile-uhf',
      alongIds: ['radials'],
      ports: [{ mountId: 'clamp', mastId: 'mast-8' }],
    })
    expect(chain(a)).toEqual(['turned n-uhf', 'lead-10-20', 'collinear'])
    expect(
      assessRig(a, at, kit, null).ports[0]!.problems.filter((p) => p.code.startsWith('connector-f')),
    ).toEqual([])
  })
  it('a second antenna takes the place of the first; the same part may stand twice with its own key', () => {
    const a = put(EMPTY_ASSEMBLY, 'handheld-uhf', 'stub', 'long-whip', 'choke', 'choke')
    expect(chain(a)).toEqual(['choke', 'choke', 'long-whip'])
    expect(new Set(a.ports[0]!.items.map((i) => i.key)).size).toBe(3)
    expect(put(put(a, 'radials'), 'radials').alongIds).toEqual(['radials'])
  })
  it('moves and takes out, and an antenna stays last', () => {
    const a = built('desk-uhf', ['surge', 'lead-10-20', 'collinear'])
    const keys = a.ports[0]!.items.map((i) => i.key)
    expect(chain(moveItem(a, kit, 0, keys[0]!, 5))).toEqual(['lead-10-20', 'surge', 'collinear'])
    expect(moveItem(a, kit, 0, keys[2]!, 0)).toBe(a)
    expect(chain(takeOut(a, 0, keys[1]!))).toEqual(['surge', 'collinear'])
  })
  it('two ports come and go with the radio', () => {
    const two = setTwoPorts(built('data-two', ['data-whip']), true)
    expect(two.ports).toHaveLength(2)
    expect(putPart(two, part('handheld-uhf'), kit, 0).ports).toHaveLength(1)
    expect(setTwoPorts({ ...two, spacingM: 1 }, false)).toMatchObject({ spacingM: null })
    expect(changePort(two, 1, { polarisation: 'horizontal' }).ports[1]!.polarisation).toBe('horizontal')
  })
})

describe('mends', () => {
  it('every mend that is offered takes its problem away', () => {
    const rigs: [Assembly, typeof at][] = [
      [built('handheld-uhf', ['telescopic']), { ...at, powerW: 2 }],
      [built('handheld-uhf', ['turned thin-lead', 'long-whip']), { ...at, powerW: 5 }],
      [
        built('desk-uhf', ['lead-10-20', 'collinear'], { mount: 'clamp', mast: 'mast-8' }),
        { ...at, antennaHeightM: 12 },
      ],
      [built('handheld-vhf', ['sma-gender', 'sma-bnc', 'telescopic']), { ...at, txMHz: 145, powerW: 5 }],
    ]
    let mended = 0
    for (const [assembly, settings] of rigs)
      for (const p of assessRig(assembly, settings, kit, null).ports[0]!.problems) {
        if (!p.fix) continue
        const made = applyFix(assembly, p.fix)
        const after = assessRig(
          made.assembly,
          {
            ...settings,
            ...(made.powerW ? { powerW: made.powerW } : {}),
            ...(made.antennaHeightM ? { antennaHeightM: made.antennaHeightM } : {}),
          },
          kit,
          null,
        )
        expect(after.ports[0]!.problems.map((q) => `${q.code} ${q.where}`)).not.toContain(
          `${p.code} ${p.where}`,
        )
        mended++
      }
    expect(mended).toBe(6)
  })
})

it('cautions come with masts, power and attenuators, and come back when those change', () => {
  const rig = placeParts(
    built('desk-uhf', ['att-20', 'collinear'], { mast: 'mast-8', alongIds: ['battery-12'] }),
    kit,
  )
  const keys = (h: number) => cautionsOf(rig, { powerW: 25, antennaHeightM: h }, 'metric').map((c) => c.key)
  expect(keys(8)).toEqual(['mast mast-8 8', 'outdoor mast-8', 'people 25', 'attenuator 25', 'lithium'])
  expect(keys(4)[0]).not.toBe(keys(8)[0])
  expect(cautionsOf(rig, { powerW: 25, antennaHeightM: 8 }, 'metric')[0]!.words).toContain('at least 12 m')
  expect(
    cautionsOf(
      placeParts(built('handheld-uhf', ['stub']), kit),
      { powerW: 2, antennaHeightM: 1.4 },
      'metric',
    ),
  ).toEqual([])
})
