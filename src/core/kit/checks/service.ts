import { wattsOfDbm } from '@/core/rf'
import { heightText } from '@/core/units'
import { wattText } from '../budget/trace'
import type { KitCheck, KitProblem } from './problem'

/** A rule of the service chosen for the trial that the rig does not meet. */
export const checkService: KitCheck = ({ service, tx, txMHz, powerW, antennaHeightM, port, rig, units }) => {
  if (!service) return []
  const problems: KitProblem[] = []
  const broken = (code: string, message: string, wayOut: string, fix: KitProblem['fix'] = null) =>
    problems.push({
      code,
      weight: 'stops',
      where: service.name,
      message: `${message} Check with the regulator.`,
      wayOut,
      fix,
    })
  if (txMHz < service.fromMHz || txMHz > service.toMHz)
    broken(
      'rule-band',
      `It is for ${service.fromMHz} to ${service.toMHz} MHz; the rig transmits on ${txMHz} MHz.`,
      'Choose a channel of the service, or the service of the channel.',
    )
  const lower = (limitW: number) =>
    (rig.radio?.spec.powers ?? [])
      .flatMap((p) => (p.powerW !== null && p.powerW <= limitW ? [p.powerW] : []))
      .sort((a, b) => b - a)[0]
  if (service.maxPowerW !== null && powerW > service.maxPowerW) {
    const to = lower(service.maxPowerW)
    broken(
      'rule-power',
      `It allows ${wattText(service.maxPowerW)}; the rig runs ${wattText(powerW)}.`,
      to ? `Set the radio to ${wattText(to)}.` : 'Take a radio with less power.',
      to ? { kind: 'set power', powerW: to } : null,
    )
  }
  const erpW = wattsOfDbm(tx.erpDbm)
  if (service.maxErpW !== null && erpW > service.maxErpW * 1.005) {
    const to = lower((powerW * service.maxErpW) / erpW)
    broken(
      'rule-erp',
      `It allows ${wattText(service.maxErpW)} ERP; this rig radiates ${wattText(erpW)}${tx.gainDbi === null ? ', its antenna counted as 0 dBi' : ''}.`,
      to ? `Set the radio to ${wattText(to)}.` : 'Take less power or an antenna with less gain.',
      to ? { kind: 'set power', powerW: to } : null,
    )
  }
  if (service.maxAntennaHeightM !== null && antennaHeightM > service.maxAntennaHeightM)
    broken(
      'rule-height',
      `It allows an antenna at ${heightText(service.maxAntennaHeightM, units)} over the ground; this one stands at ${heightText(antennaHeightM, units)}.`,
      `Lower it to ${heightText(service.maxAntennaHeightM, units)}.`,
      { kind: 'set height', heightM: service.maxAntennaHeightM },
    )
  if (!service.externalAntenna && port.items.length > 0)
    broken(
      'rule-antenna',
      'It allows only the antenna that the radio came with.',
      'Use a radio with its own fixed antenna, or another service.',
    )
  return problems
}
