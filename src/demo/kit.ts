import { messageOf } from '@/core/outcome'
import { EMPTY_ASSEMBLY, EMPTY_PORT, EXAMPLE_PARTS, type Rig } from '@/core/kit'
import { addPart, addRig, listRuleSets, saveUnit, type ChosenService, type Db } from '@/data'

const CHANNEL_MHZ = 459.8

/** Examples that this team does not own. */
const NOT_OWNED = ['dipole', 'transformer', 'feeder', 'data-two', 'data-whip', 'analyser', 'handheld-fixed']

type RigSeed = Pick<Rig, 'letter' | 'name' | 'kind' | 'powerW' | 'antennaHeightM'> & {
  radio: string
  chain: string[]
  mount: string
  mast?: string
  mode?: string
  note: string
}

const RIGS: RigSeed[] = [
  {
    letter: 'A',
    name: 'Stub whip',
    kind: 'handheld',
    powerW: 2,
    antennaHeightM: 1.4,
    radio: 'handheld-uhf',
    chain: ['stub'],
    mount: 'at-chest',
    note: 'Marshal handheld, short antenna, held upright at the chest',
  },
  {
    letter: 'B',
    name: 'Long whip',
    kind: 'handheld',
    powerW: 2,
    antennaHeightM: 1.4,
    radio: 'handheld-uhf',
    chain: ['long-whip'],
    mount: 'at-chest',
    note: 'The same handhelds with the half-metre whip',
  },
  {
    letter: 'C',
    name: 'Roof quarter-wave',
    kind: 'mobile',
    powerW: 25,
    antennaHeightM: 2.1,
    radio: 'mobile-uhf',
    chain: ['car-lead', 'roof-quarter'],
    mount: 'magnet',
    note: 'Course car, magnetic mount in the middle of the roof',
  },
  {
    letter: 'D',
    name: 'Jacket pocket',
    kind: 'handheld',
    powerW: 2,
    antennaHeightM: 1.3,
    radio: 'handheld-uhf',
    chain: ['stub'],
    mount: 'in-pocket',
    note: 'Handheld in the coloured jacket’s chest pocket, speaker microphone',
  },
  {
    letter: 'E',
    name: 'In the hand',
    kind: 'handheld',
    powerW: 2,
    antennaHeightM: 1.3,
    radio: 'handheld-uhf',
    chain: ['stub'],
    mount: 'in-hand',
    note: 'The same handheld held in front of the face',
  },
  {
    letter: 'H',
    name: 'Race Control, 8 m mast',
    kind: 'base',
    powerW: 25,
    antennaHeightM: 8,
    radio: 'desk-uhf',
    chain: ['lead-10-20', 'collinear'],
    mount: 'clamp',
    mast: 'mast-8',
    note: 'Desk radio, collinear on the harbour mast',
  },
  {
    letter: 'L',
    name: 'Race Control, 4 m mast',
    kind: 'base',
    powerW: 25,
    antennaHeightM: 4,
    radio: 'desk-uhf',
    chain: ['lead-10-12', 'collinear'],
    mount: 'clamp',
    mast: 'mast-8',
    note: 'The same collinear with the mast’s lower half only',
  },
]

/** The marshals' two antennas once more, with the handheld in its digital mode. */
const DIGITAL: RigSeed[] = [
  ['A', 'N', 'Digital with stub'] as const,
  ['B', 'Z', 'Digital with long whip'] as const,
].map(([of, letter, name]) => ({
  ...RIGS.find((r) => r.letter === of)!,
  letter,
  name,
  mode: 'digital voice',
  note: 'The same handheld in its digital mode',
}))

/** Metres from the foot of the harbour mast to the desk. */
const WAY_IN_M = 8

/** The team's parts, units and rigs. @returns rig ids by letter, and the service that its trials keep to */
export function seedKit(db: Db): { ids: Map<string, string>; service: ChosenService } {
  const parts = new Map<string, string>()
  for (const { id, part } of EXAMPLE_PARTS) if (!NOT_OWNED.includes(id)) parts.set(id, addPart(db, part))
  const unit = (
    label: string,
    condition: string,
    notes: { day: string; kind: 'defect on arrival' | 'repair' | 'note'; text: string }[],
  ) => saveUnit(db, null, parts.get('handheld-uhf')!, { label, condition, notes })
  unit('Handheld 1', 'good', [])
  unit('Handheld 2', 'good since the repair', [
    { day: '2026-02-14', kind: 'defect on arrival', text: 'Antenna socket loose' },
    { day: '2026-03-02', kind: 'repair', text: 'Socket resoldered, checked against handheld 1' },
  ])
  const ids = new Map<string, string>()
  for (const { radio, chain, mount, mast, ...facts } of [...RIGS, ...DIGITAL]) {
    const items = chain.map((id, i) => ({
      key: `${i}-${id}`,
      partId: parts.get(id)!,
      unitId: null,
      flipped: false,
      setting: null,
    }))
    const added = addRig(db, {
      ...facts,
      txMHz: CHANNEL_MHZ,
      rxMHz: null,
      bandwidthKHz: 11,
      antennaGainDbi: null,
      leadLossDb: null,
      attenuatorDb: 0,
      attenuatorAt: 'both ways',
      assembly: {
        ...EMPTY_ASSEMBLY,
        radioId: parts.get(radio)!,
        ports: [{ ...EMPTY_PORT, items, mountId: parts.get(mount)!, mastId: mast ? parts.get(mast)! : null }],
        wayInM: mast ? WAY_IN_M : null,
      },
    })
    if (!added.ok) throw new Error(messageOf(added))
    ids.set(facts.letter, added.value)
  }
  const rules = listRuleSets(db).find((r) => r.body.services.some((s) => s.name.startsWith('Event channel')))!
  const service = rules.body.services.find((s) => s.name.startsWith('Event channel'))!.name
  return { ids, service: { ruleSetId: rules.id, service } }
}
