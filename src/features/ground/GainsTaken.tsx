import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { gainTaken, type Link, type Rig, type TakenGains } from '@/core/kit'
import { Fold } from '@/ui/shell'
import { Figure } from './Figure'

interface Props {
  links: readonly Link[]
  gains: TakenGains
  onChange: (gains: TakenGains) => void
}

/** Rigs whose antenna nobody has measured, each once. */
function unmeasured(links: readonly Link[]): Rig[] {
  const rigs = new Map(links.flatMap((l) => [l.base, l.out]).map((r) => [r.id, r]))
  return [...rigs.values()].filter((r) => gainTaken(r, true).from !== null)
}

const tenths = (v: number) => Number(v.toFixed(1))

/** One rig's antenna: what it is taken for, and what that is from. */
function GainRow({ rig, gains, onChange }: { rig: Rig } & Omit<Props, 'links'>) {
  // Typed figures stand until it is taken by its kind again.
  const [anew, setAnew] = useState(0)
  const taken = gainTaken(rig, true, gains)
  const put = (more: { dbi?: number; sdDb?: number }) =>
    onChange({ ...gains, [rig.id]: { dbi: tenths(taken.db), sdDb: tenths(taken.sdDb), ...more } })
  const byKind = () => {
    setAnew(anew + 1)
    onChange(Object.fromEntries(Object.entries(gains).filter(([id]) => id !== rig.id)))
  }
  return (
    <Box
      role="group"
      aria-label={rig.name}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start', mb: 1.5 }}
    >
      <Box sx={{ width: 220 }}>
        <b>{rig.letter}</b> {rig.name}
        <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{taken.from}</Box>
      </Box>
      <Figure
        key={`gain ${anew}`}
        label="Gain taken"
        unit="dBi"
        value={tenths(taken.db)}
        width={140}
        range={{ min: -60, max: 40 }}
        onChange={(dbi) => put({ dbi })}
      />
      <Figure
        key={`doubt ${anew}`}
        label="give or take"
        unit="dB"
        value={tenths(taken.sdDb)}
        width={140}
        range={{ min: 0, max: 20 }}
        onChange={(sdDb) => put({ sdDb })}
      />
      {Object.hasOwn(gains, rig.id) && <Button onClick={byKind}>Take it by its kind again</Button>}
    </Box>
  )
}

/** What antennas that nobody has measured are taken for, and how far that may be off; each can be said better. */
export function GainsTaken({ links, gains, onChange }: Props) {
  const rigs = unmeasured(links)
  if (rigs.length === 0) return null
  return (
    <Fold title="Antennas of unknown gain">
      <p style={{ margin: '0 0 12px', color: 'var(--soft)' }}>
        A prediction needs a gain. Where none is measured it takes one by the antenna’s kind, and counts how
        far that may be off. A comparison never does: there the gain is the question.
      </p>
      {rigs.map((rig) => (
        <GainRow key={rig.id} rig={rig} gains={gains} onChange={onChange} />
      ))}
    </Fold>
  )
}
