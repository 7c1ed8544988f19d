import type { ExposureBand } from '@/core/rf/keepAway'
import type { RuleSet } from './ruleSet'

/** ICNIRP-like general-public limits, as examples: some regions differ. */
const EXPOSURE: ExposureBand[] = [
  { fromMHz: 30, toMHz: 400, limitWm2: 2, perMHz: null },
  { fromMHz: 400, toMHz: 2000, limitWm2: null, perMHz: 200 },
  { fromMHz: 2000, toMHz: 300000, limitWm2: 10, perMHz: null },
]

const NOTE = 'An example to edit, not legal advice. Check with the regulator of your own region.'

/** Rule sets that ship. */
export const EXAMPLE_RULE_SETS: readonly RuleSet[] = [
  {
    name: 'Region one, example',
    note: NOTE,
    services: [
      {
        name: 'Licence-free handheld, 446 MHz',
        fromMHz: 446,
        toMHz: 446.2,
        maxPowerW: null,
        maxErpW: 0.5,
        maxAntennaHeightM: null,
        externalAntenna: false,
      },
      {
        name: 'Short-range devices, 869 MHz',
        fromMHz: 869.4,
        toMHz: 869.65,
        maxPowerW: null,
        maxErpW: 0.5,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Citizens’ band, 27 MHz FM',
        fromMHz: 26.96,
        toMHz: 27.41,
        maxPowerW: 4,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Amateur, 2 m',
        fromMHz: 144,
        toMHz: 146,
        maxPowerW: 750,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Amateur, 70 cm',
        fromMHz: 430,
        toMHz: 440,
        maxPowerW: 750,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Event channel, UHF',
        fromMHz: 450,
        toMHz: 470,
        maxPowerW: 25,
        maxErpW: 50,
        maxAntennaHeightM: 10,
        externalAntenna: true,
      },
    ],
    exposure: EXPOSURE,
  },
  {
    name: 'Region two, example',
    note: NOTE,
    services: [
      {
        name: 'Licence-free family channels, 462 and 467 MHz',
        fromMHz: 462.5,
        toMHz: 467.8,
        maxPowerW: null,
        maxErpW: 2,
        maxAntennaHeightM: null,
        externalAntenna: false,
      },
      {
        name: 'General mobile channels, 462 and 467 MHz',
        fromMHz: 462.5,
        toMHz: 467.8,
        maxPowerW: 50,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Multi-use channels, 151 to 154 MHz',
        fromMHz: 151.8,
        toMHz: 154.65,
        maxPowerW: 2,
        maxErpW: null,
        maxAntennaHeightM: 18.3,
        externalAntenna: true,
      },
      {
        name: 'Citizens’ band, 27 MHz',
        fromMHz: 26.96,
        toMHz: 27.41,
        maxPowerW: 4,
        maxErpW: null,
        maxAntennaHeightM: 18.3,
        externalAntenna: true,
      },
      {
        name: 'Unlicensed data, 915 MHz',
        fromMHz: 902,
        toMHz: 928,
        maxPowerW: 1,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Amateur, 2 m',
        fromMHz: 144,
        toMHz: 148,
        maxPowerW: 1500,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
    ],
    exposure: EXPOSURE,
  },
]
