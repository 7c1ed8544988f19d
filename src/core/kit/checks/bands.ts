import { bandsText, inBands, type Band } from '../parts/part'
import { familyOf } from '../parts/connectors'
import { frequenciesOf, type KitCheck, type KitProblem } from './problem'

/** Off the band of the radio, the antenna or a part; beyond the limit of a lead or a connector. */
export const checkBands: KitCheck = (at) => {
  const problems: KitProblem[] = []
  const { rig, port } = at
  const offBand = (name: string, bands: readonly Band[], what: string) => {
    if (bands.length === 0) return
    for (const { frequencyMHz, side } of frequenciesOf(at))
      if (!inBands(bands, frequencyMHz))
        problems.push({
          code: 'off-band',
          weight: what === 'radio' ? 'stops' : 'costs',
          where: name,
          message: `${name} is made for ${bandsText(bands)}; ${side} is ${frequencyMHz} MHz.`,
          wayOut:
            what === 'radio'
              ? 'Choose a channel inside its band, or another radio.'
              : `Take a ${what} for ${frequencyMHz} MHz. Off its band the match is anybody’s guess: sweep it before you transmit.`,
          fix: null,
        })
  }
  if (rig.radio) offBand(rig.radio.name, rig.radio.spec.bands, 'radio')
  const highest = Math.max(at.txMHz, at.rxMHz)
  for (const { part, near, far } of port.items) {
    if (part.kind === 'antenna') offBand(part.name, part.spec.bands, 'antenna')
    else if (part.kind === 'lead') {
      if (part.spec.maxMHz !== null && highest > part.spec.maxMHz)
        problems.push({
          code: 'lead-limit',
          weight: 'costs',
          where: part.name,
          message: `${part.name} is made for up to ${part.spec.maxMHz} MHz and is used at ${highest} MHz. Its loss there is an extrapolation.`,
          wayOut: 'Take a lead made for the frequency, or enter points of its data sheet that reach there.',
          fix: null,
        })
    } else if (part.kind !== 'adapter' && part.kind !== 'attenuator')
      offBand(part.name, part.spec.bands, part.kind)
    for (const end of [near, far]) {
      const family = end && familyOf(end.family)
      if (family && highest > family.maxMHz && part.kind !== 'antenna') {
        problems.push({
          code: 'connector-limit',
          weight: 'costs',
          where: part.name,
          message: `${family.name} connectors are good to about ${family.maxMHz} MHz; the channel is at ${highest} MHz.`,
          wayOut:
            'It often works with a loss of a few tenths of a dB. For a fair comparison use the same connectors on all rigs.',
          fix: null,
        })
        break
      }
    }
  }
  return problems
}
