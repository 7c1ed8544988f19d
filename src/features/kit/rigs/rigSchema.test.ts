import { expect, it } from 'vitest'
import { rigSchema } from './rigSchema'

const rig = {
  letter: 'a',
  name: 'Whip',
  kind: 'handheld',
  txMHz: '459,8',
  rxMHz: '',
  powerW: '2',
  antennaHeightM: 1.4,
  antennaGainDbi: '',
  leadLossDb: '0',
  note: '',
}
const why = (change: object) => {
  try {
    rigSchema.validateSync({ ...rig, ...change })
    return 'taken'
  } catch (e) {
    return (e as Error).message
  }
}

it('takes a rig as it is typed: comma or point, empty for what is not known', () => {
  expect(rigSchema.validateSync(rig)).toMatchObject({
    letter: 'A',
    txMHz: 459.8,
    rxMHz: null,
    antennaGainDbi: null,
    leadLossDb: 0,
  })
})

it.each([
  [{ powerW: 0 }, 'above 0 W'],
  [{ powerW: '' }, 'The power is missing'],
  [{ antennaHeightM: -2 }, 'above the ground'],
  [{ letter: 'A1' }, 'One or two letters'],
  [{ name: '' }, 'A name is missing'],
  [{ txMHz: 'loud' }, 'not a number'],
  [{ leadLossDb: -1 }, '0 dB or more'],
  [{ kind: 'balloon' }, 'kind'],
])('refuses %j with what would be right', (change, message) => {
  expect(why(change)).toContain(message)
})
