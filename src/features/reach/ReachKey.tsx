import Box from '@mui/material/Box'
import type { CSSProperties, ReactNode } from 'react'
import type { Link } from '@/core/kit'
import type { ReachMap } from '@/core/reach/map/reachMap'
import { percentText } from '@/core/units'
import { looksOf, rigLook } from '@/ui/theme/palette'

interface Props {
  links: Link[]
  reliability: number
  map: ReachMap | null
  corrected: boolean
  /** From several bases together. */
  all: boolean
}

const mixed = (hue: string, share: number) => `color-mix(in srgb, ${hue} ${100 * share}%, transparent)`
const HATCH = (angle: number, ink: number) =>
  `repeating-linear-gradient(${angle}deg, transparent 0 5px, ${mixed('var(--ink)', ink)} 5px 6.5px)`

function Swatch({ style, children }: { style: CSSProperties; children: ReactNode }) {
  return (
    <Box component="li" sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
      <span
        style={{ width: 26, height: 16, display: 'inline-block', border: '1px solid var(--rule)', ...style }}
      />
      {children}
    </Box>
  )
}

/** What the map's fills mean. */
export function ReachKey({ links, reliability, map, corrected, all }: Props) {
  const hues = looksOf(links.map((l) => l.letter)).map((i) => rigLook(i).hue)
  const has = (test: (l: ReachMap['layers'][number]) => boolean) =>
    map?.layers.some((l) => test(l) && l.rings.length > 0) ?? false
  const [a, b] = links
  return (
    <Box
      component="ul"
      aria-label="Key of the map"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: '4px 20px', listStyle: 'none', p: 0, m: 0, mt: 0.75 }}
    >
      {b === undefined ? (
        <>
          <Swatch style={{ background: mixed(hues[0]!, 0.45), borderColor: hues[0], borderWidth: 2 }}>
            {a!.letter} comes through {percentText(reliability)} of the time or more
            {all && ' to one of the bases'}
          </Swatch>
          {all && (
            <Swatch style={{ background: mixed(hues[0]!, 0.7), borderStyle: 'dashed', borderColor: hues[0] }}>
              to two of them or more
            </Swatch>
          )}
          {!all && reliability > 0.5 && (
            <Swatch
              style={{ background: mixed(hues[0]!, 0.16), borderStyle: 'dotted', borderColor: hues[0] }}
            >
              {a!.letter} comes through half of the time or more
            </Swatch>
          )}
        </>
      ) : (
        <>
          <Swatch style={{ background: mixed(hues[0]!, 0.42), borderColor: hues[0] }}>
            likely only {a!.letter} covers it
          </Swatch>
          <Swatch style={{ background: mixed(hues[1]!, 0.42), borderColor: hues[1] }}>
            likely only {b.letter} covers it
          </Swatch>
          <Swatch style={{ background: mixed('var(--ink)', 0.14) }}>likely both cover it</Swatch>
          {has((l) => l.kind === 'undecided') && (
            <Swatch style={{ background: HATCH(135, 0.6) }}>not decided</Swatch>
          )}
        </>
      )}
      {has((l) => l.kind === 'guess') && (
        <Swatch style={{ background: HATCH(45, 0.4) }}>far from what was logged: the prediction alone</Swatch>
      )}
      {!corrected && <li>No check has corrected it yet.</li>}
    </Box>
  )
}
