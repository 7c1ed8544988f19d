import { expect, it } from 'vitest'
import { antennaFactorDb, fieldStrength } from './fieldStrength'

it('has the factor of a dipole at 435 MHz, and the field of a reading', () => {
  // By hand: 20 lg 435 - 2.15 - 29.77 = 20.85 dB(1/m); -60 dBm are 46.99 dB(µV) across 50 ohm
  expect(antennaFactorDb(435, 2.15)).toBeCloseTo(20.849, 3)
  const f = fieldStrength(-60, 1, 20)
  expect(f.dBuVm).toBeCloseTo(67.99, 2)
  // E²/(120 π): 115.76 dB between dB(µV/m) and dBm/m²
  expect(f.dBmM2).toBeCloseTo(67.99 - 115.763, 2)
})
