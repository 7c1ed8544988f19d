'use client'

import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Box from '@mui/material/Box'
import { useRouter } from 'next/navigation'
import type { Link, Part, PowerSetting } from '@/core/kit'
import type { MeasuredSlope } from '@/core/reach'
import type { Units } from '@/core/units'
import type { RuleSetRow } from '@/data/ruleSets'
import { PageHead } from '@/ui/shell'
import { CutElement } from './CutElement'
import { EnduranceSums } from './EnduranceSums'
import { KeepAwaySums } from './KeepAwaySums'
import { PickAttenuator } from './PickAttenuator'
import { ReadDb } from './ReadDb'
import { SUMS, type Sum } from './sumNames'

interface Props {
  trialId: string
  sum: Sum
  links: Link[]
  powersOf: Record<string, PowerSetting[]>
  farthestM: number | null
  parts: Part[]
  rules: RuleSetRow[]
  slope: MeasuredSlope | null
  units: Units
}

/** The sums that go with the kit, one at a time. */
export function SumsPlace({ trialId, sum, links, powersOf, farthestM, parts, rules, slope, units }: Props) {
  const router = useRouter()
  return (
    <>
      <PageHead title="Sums" lead={SUMS[sum].lead} />
      <Box className="no-print" sx={{ overflowX: 'auto', mb: 2.5 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={sum}
          onChange={(_, v: Sum | null) =>
            v && router.replace(`/trials/${trialId}/kit/sums?sum=${v}`, { scroll: false })
          }
          aria-label="Which sum"
        >
          {(Object.keys(SUMS) as Sum[]).map((s) => (
            <ToggleButton key={s} value={s} sx={{ whiteSpace: 'nowrap' }}>
              {SUMS[s].name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      {sum === 'db' && <ReadDb slope={slope} />}
      {sum === 'element' && <CutElement units={units} frequencyMHz={links[0]?.out.txMHz ?? null} />}
      {sum === 'endurance' && <EnduranceSums parts={parts} />}
      {sum === 'attenuator' && (
        <PickAttenuator
          links={links}
          powersOf={powersOf}
          farthestM={farthestM}
          parts={parts}
          slope={slope}
          units={units}
        />
      )}
      {sum === 'people' && <KeepAwaySums rules={rules} units={units} />}
    </>
  )
}
