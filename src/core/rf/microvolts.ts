const ONE_MICROVOLT_DBM = 10 * Math.log10(2e-11) // -106.99 dBm across 50 ohm

/** What a receiver's microvolts were taken across; the open-circuit figure is twice that across the load. */
export type Across = 'load' | 'EMF'

/**
 * Level in dBm of a voltage at a 50 ohm input: 20 lg U - 106.99, and 6.02 dB less where U is the open-circuit EMF.
 * @param microvolts above 0 µV
 * @throws RangeError otherwise
 * @example dbmOfMicrovolts(0.25) // -119.03
 */
export function dbmOfMicrovolts(microvolts: number, across: Across = 'load'): number {
  if (!(microvolts > 0)) throw new RangeError(`microvolts must be above 0, not ${microvolts}`)
  const u = across === 'EMF' ? microvolts / 2 : microvolts
  return ONE_MICROVOLT_DBM + 20 * Math.log10(u)
}

/** Voltage in µV across 50 ohm of a level in dBm. */
export function microvoltsOfDbm(dbm: number): number {
  return 10 ** ((dbm - ONE_MICROVOLT_DBM) / 20)
}
