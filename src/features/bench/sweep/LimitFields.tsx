'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { NumberBox } from '@/ui/fields/NumberBox'
import { Fold } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import { PickPart } from '../PickPart'
import type { BenchAntenna } from '../types'
import type { Limits } from './useLimits'

const TWO = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25, mb: 1.25 } as const

/** Which antenna, its band, the limit as SWR or return loss; start, stop and points, advised. */
export function LimitFields({ limits: l, antennas }: { limits: Limits; antennas: readonly BenchAntenna[] }) {
  return (
    <>
      <PickPart
        label="Antenna"
        partId={l.antennaId}
        parts={antennas}
        onPick={l.chooseAntenna}
        sx={{ mb: 1.25 }}
      />
      <Box sx={TWO}>
        <NumberBox
          label="Band from"
          unit="MHz"
          value={l.bandText.from}
          problem={l.bandProblem.from}
          onChange={(from) => l.setBand({ from })}
        />
        <NumberBox
          label="Band to"
          unit="MHz"
          value={l.bandText.to}
          problem={l.bandProblem.to}
          onChange={(to) => l.setBand({ to })}
        />
        <NumberBox label="Limit, SWR" value={l.limitText.swr} problem={l.limitProblem} onChange={l.typeSwr} />
        <NumberBox label="or return loss" unit="dB" value={l.limitText.loss} onChange={l.typeLoss} />
      </Box>
      {l.spanText && (
        <Fold
          title={`Sweep ${l.spanText.from} to ${l.spanText.to} MHz, ${l.spanText.points} points${l.advised ? ' (advised)' : ''}`}
        >
          <Box sx={{ ...TWO, mt: 1.25 }}>
            <NumberBox
              label="Start"
              unit="MHz"
              value={l.spanText.from}
              onChange={(from) => l.typeSpan({ from })}
            />
            <NumberBox label="Stop" unit="MHz" value={l.spanText.to} onChange={(to) => l.typeSpan({ to })} />
            <NumberBox
              label="Points"
              value={l.spanText.points}
              onChange={(points) => l.typeSpan({ points })}
            />
            <NumberBox label="Lead between" unit="dB" value={l.leadText} onChange={l.setLead} />
            <NumberBox label="Reference" unit="ohm" value={l.ohmText} onChange={l.setOhm} />
          </Box>
          {!l.advised && (
            <Button size="small" onClick={l.followAdvice}>
              Take the advice
            </Button>
          )}
          <Quiet small>The band and as much again beside it, so that a match next to it is seen.</Quiet>
        </Fold>
      )}
      {l.spanProblems.map((p) => (
        <Box key={p.code} role="alert" sx={{ color: 'var(--bad)', mt: 0.75 }}>
          {p.message}
        </Box>
      ))}
    </>
  )
}
