'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import {
  compareRigs,
  fairnessWords,
  type Attribute,
  type ComparisonRow,
  type Fate,
  type Part,
} from '@/core/kit'
import type { Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import { Table } from '@/ui/table/Table'
import { useAction, type Action } from '@/ui/answers/useAction'
import { Empty, LinkButton, PageHead, RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { makeRigsSame } from '../rigs/actions'

interface Props {
  trialId: string
  /** The rigs of the trial, or all of an end where the trial has none yet. */
  ends: { title: string; rigs: KitRig[] }[]
  ofTrial: boolean
  parts: Part[]
  letters: string[]
  units: Units
}

const FATES: Record<Fate, { words: string; color: string }> = {
  same: { words: 'the same', color: 'var(--soft)' },
  'the question': { words: 'the question', color: 'var(--accent)' },
  'taken out': { words: 'evening takes it out', color: 'var(--ink)' },
  'left in': { words: 'stays in', color: 'var(--bad)' },
  'not known': { words: 'not known, stays in', color: 'var(--bad)' },
}

function Row({
  row,
  rigs,
  onSame,
}: {
  row: ComparisonRow
  rigs: KitRig[]
  onSame: (likeId: string) => void
}) {
  const fate = FATES[row.fate]
  const differs = row.fate !== 'same'
  return (
    <tr>
      <th scope="row">{row.label}</th>
      {row.values.map((value, i) => (
        <td key={rigs[i]!.id}>
          <Box sx={{ color: differs ? 'var(--ink)' : 'var(--soft)' }}>{value}</Box>
          {differs && row.fate !== 'the question' && (
            <Button
              size="small"
              sx={{ px: 0, minWidth: 0, fontSize: '0.84rem' }}
              onClick={() => onSame(rigs[i]!.id)}
              aria-label={`${row.label}: make all like ${rigs[i]!.letter}`}
            >
              Make all like {rigs[i]!.letter}
            </Button>
          )}
        </td>
      ))}
      <td>
        <Box sx={{ color: fate.color, fontWeight: differs ? 700 : 400 }}>{fate.words}</Box>
        {differs && <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{row.why}</Box>}
      </td>
    </tr>
  )
}

function End({
  title,
  rigs,
  parts,
  letters,
  units,
  action,
}: {
  title: string
  rigs: KitRig[]
  parts: Part[]
  letters: string[]
  units: Units
  action: Action
}) {
  const rows = compareRigs(
    rigs.map((rig) => ({ rig, assembly: rig.assembly, bandwidthKHz: rig.bandwidthKHz, mode: rig.mode })),
    parts,
    units,
  )
  const { fair, words } = fairnessWords(rows)
  const looks = looksOf(letters)
  const same = (attribute: Attribute, likeId: string) => {
    const ids = rigs.map((r) => r.id)
    return action.run(() => makeRigsSame(ids, likeId, attribute))
  }
  // What differs comes first; what is the same is there to be checked.
  const ordered = [...rows.filter((r) => r.fate !== 'same'), ...rows.filter((r) => r.fate === 'same')]
  return (
    <Box component="section" aria-label={title} sx={{ mb: 4 }}>
      <Typography variant="h2" component="h2">
        {title}
      </Typography>
      <Typography
        sx={{
          fontSize: { md: '1.2rem' },
          fontWeight: 700,
          my: 1,
          maxWidth: 900,
          borderLeft: `6px solid ${fair ? 'var(--accent-fill)' : 'var(--bad)'}`,
          pl: 1.5,
        }}
      >
        {words}
      </Typography>
      <Table
        label={`${title}, everything that differs`}
        minPx={260 + rigs.length * 190}
        sx={{ '& tbody th': { color: 'var(--soft)', width: 150 } }}
        head={
          <>
            <td />
            {rigs.map((r) => (
              <th key={r.id} scope="col">
                <RigBadge letter={r.letter} index={looks[letters.indexOf(r.letter)]!} size={22} /> {r.name}
              </th>
            ))}
            <th scope="col">What becomes of it</th>
          </>
        }
      >
        {ordered.map((row) => (
          <Row key={row.attribute} row={row} rigs={rigs} onSame={(id) => void same(row.attribute, id)} />
        ))}
      </Table>
    </Box>
  )
}

/** Whether the comparison is even: everything that differs between the rigs, and what becomes of it. */
export function ComparePlace({ trialId, ends, ofTrial, parts, letters, units }: Props) {
  const action = useAction()
  const shown = ends.filter((e) => e.rigs.length > 1)
  return (
    <>
      <PageHead
        title="What differs"
        lead={
          ofTrial
            ? 'Between the rigs of this trial, end by end. Evening takes out what is known; the rest stays in the result.'
            : 'This trial has no links yet, so all rigs of each end are shown. Choose what is compared under Plan.'
        }
      />
      {action.refusal('Nothing was changed', 'Rigs')}
      {shown.length === 0 && (
        <Empty
          title="One rig is nothing to compare"
          action={
            <LinkButton variant="contained" href={`/trials/${trialId}/kit`}>
              To the rigs
            </LinkButton>
          }
        >
          Add a second rig at one end, or take a variant of the first: the same but for what is asked about.
        </Empty>
      )}
      {shown.map((e) => (
        <End key={e.title} {...e} parts={parts} letters={letters} units={units} action={action} />
      ))}
    </>
  )
}
