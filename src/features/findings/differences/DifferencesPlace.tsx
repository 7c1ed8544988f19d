import Box from '@mui/material/Box'
import {
  headlinePairs,
  otherStationsWords,
  saidOfPairs,
  saidWords,
  toldWords,
  verdictWords,
  type Findings,
  type JudgedPair,
} from '@/core/findings'
import type { Units } from '@/core/units'
import { Fold } from '@/ui/shell/Fold'
import { looksById } from '@/ui/theme/palette'
import { differencesCsv } from '../export/findingsCsv'
import { everyNth } from '../figures/everyNth'
import { TextButton } from '../figures/TextButton'
import { namesOf, type AskedFindings } from '../frame/openFindings'
import { PlaceHead, PlacePart, Sentences } from '../frame/PlaceHead'
import { KnobsButton } from '../knobs/KnobsButton'
import { knobsOf } from '../knobs/knobsOf'
import { scopesOf } from '../reach/strips'
import { DifferenceTable } from './DifferenceTable'
import { PairMatrix } from './PairMatrix'
import { SkySection } from './SkySection'
import { TrendSection, type DrawnPair } from './TrendSection'

const SCOPE_NAMES: Record<string, string> = {
  both: 'Both directions together',
  'to base': 'To base',
  'from base': 'From base',
  loop: 'Loop',
}

/** More pairs than these are a picture; their tables are folded away. */
const MANY_PAIRS = 3

/** A pair as the browser needs it: what is drawn, with names, without the lists of checks behind it. */
const drawn = (pair: JudgedPair, mark: (id: string) => string): DrawnPair => ({
  ...pair,
  inAll: pair.points.length,
  points: everyNth(pair.points).map((p) => ({ ...p, markId: mark(p.markId) })),
  leftOut: [],
  evened: pair.evened && { ...pair.evened, marksUsed: [], marksSilent: [] },
  raw: null,
})

interface Props {
  asked: AskedFindings
  findings: Findings
  units: Units
}

/** Every difference: which is better than which, by how much, how sure, and with what taken out. */
export function DifferencesPlace({ asked, findings, units }: Props) {
  const { plan, shown, settings } = asked
  const { link, mark } = namesOf(asked)
  const compared = findings.checks > 0
  const pairs = compared ? headlinePairs(findings) : []
  const beside = [
    ...saidOfPairs(shown.log).map((x) => saidWords(x, link)),
    ...findings.stations.map((x) => otherStationsWords(x, link)),
  ]
  const many = pairs.length > MANY_PAIRS
  const scopes = scopesOf(findings, plan)
  const named = pairs.map((p) => drawn(p, mark))
  const names = Object.fromEntries(plan.links.map((l) => [l.id, l.name]))
  return (
    <>
      <PlaceHead
        title="Differences"
        says={
          !compared
            ? 'No checks were logged, so no difference in dB is told; the answer has the order of what was walked or heard.'
            : pairs.length === 0
              ? 'A difference needs two rigs with checks.'
              : many
                ? toldWords(pairs)
                : undefined
        }
      >
        <KnobsButton {...knobsOf(asked)} label="Read it another way" />
      </PlaceHead>
      {!many && pairs.length > 0 && (
        <Sentences of={pairs.map((p) => `${verdictWords(p, link).lead}. ${verdictWords(p, link).detail}`)} />
      )}
      {many && (
        <PairMatrix
          links={plan.links}
          pairs={pairs}
          standings={findings.standings}
          looks={looksById(plan.links)}
        />
      )}
      {findings.where === 'sky' ? (
        <SkySection runId={shown.row.id} links={plan.links} {...{ settings, units }} pairs={named} />
      ) : (
        pairs.length > 0 &&
        findings.where === 'ways' && (
          <TrendSection pairs={named} marginDb={findings.marginDb} names={names} units={units} />
        )
      )}
      {beside.length > 0 && (
        <PlacePart title="By comparison">
          <Sentences of={beside} />
        </PlacePart>
      )}
      {(compared ? scopes : []).map((scope, i) => {
        const of = findings.pairs.filter((p) => p.scope === scope)
        if (of.length === 0) return null
        const table = <DifferenceTable title={SCOPE_NAMES[scope]!} pairs={of} name={link} />
        return i > 0 || many ? (
          <Box key={scope} sx={{ mt: 2 }}>
            <Fold title={SCOPE_NAMES[scope]!}>{table}</Fold>
          </Box>
        ) : (
          <PlacePart key={scope} title="As figures">
            {table}
          </PlacePart>
        )
      })}
      {pairs.length > 0 && (
        <Box sx={{ mt: 1.5 }}>
          <TextButton text={differencesCsv(findings, link)} label="Copy the differences as CSV" />
        </Box>
      )}
    </>
  )
}
