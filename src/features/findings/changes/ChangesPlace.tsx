import Box from '@mui/material/Box'
import {
  apartWords,
  byWords,
  driftWords,
  erraticWords,
  matrixWords,
  offsetWords,
  otherScaleWords,
  otherStationsWords,
  togetherWords,
  unitWords,
  type Breakdown,
} from '@/core/findings'
import { byCsv } from '../export/findingsCsv'
import { everyNth } from '../figures/everyNth'
import { TextButton } from '../figures/TextButton'
import { namesOf, type AskedFindings } from '../frame/openFindings'
import { PlaceHead, PlacePart, Sentences } from '../frame/PlaceHead'
import { KnobsButton } from '../knobs/KnobsButton'
import { knobsOf } from '../knobs/knobsOf'
import { Fold } from '@/ui/shell/Fold'
import { ByTable } from './ByTable'
import { missedWords } from './missed'
import { PartsFigure } from './PartsFigure'
import { PredictionSection } from './PredictionSection'

/** What brought it, where and when it holds, whether the log holds together, and how it stands against the prediction. */
export function ChangesPlace({ asked, breakdown }: { asked: AskedFindings; breakdown: Breakdown }) {
  const { link, mark, run } = namesOf(asked)
  const { matrix, together, by, prediction } = breakdown
  const unit = unitWords(matrix)
  const brought = [...(matrix ? matrixWords(matrix) : together.map(togetherWords)), ...(unit ? [unit] : [])]
  const others = [
    ...otherScaleWords(breakdown, link),
    ...breakdown.otherStations.map((s) => otherStationsWords(s, link)),
  ]
  const firstRun = run(asked.shown.row.id)
  const days = [
    ...breakdown.offsets.map((o) => offsetWords(o, run, firstRun)),
    ...breakdown.apart.map((a) => apartWords(a, run, link)),
    ...driftWords(breakdown.drift),
    ...breakdown.erratic.map((u) => erraticWords(u, link)),
  ]
  const changing = by.flatMap((g) => g.pairs.filter((p) => p.change))
  const shownPair = changing[0] ?? by[0]?.pairs[0]
  const { marginDb } = asked.settings
  return (
    <>
      <PlaceHead
        title="When and where it changes"
        says={
          by.length === 0
            ? 'Too few marks to look at legs, distances, kinds of ground, times of day or conditions by themselves.'
            : changing.length > 0
              ? `It is not the same everywhere. ${missedWords(by)}`
              : missedWords(by)
        }
      >
        <KnobsButton {...knobsOf(asked)} label="Read it another way" />
      </PlaceHead>
      {brought.length > 0 && (
        <PlacePart title="What each thing brought">
          <Sentences of={brought} />
        </PlacePart>
      )}
      {by.length > 0 && (
        <PlacePart title="Where and when it holds">
          {changing.length > 0 && (
            <Sentences
              of={by.flatMap((g) => g.pairs.filter((p) => p.change).map((p) => byWords(g.what, p, link)))}
            />
          )}
          {shownPair && shownPair.unit !== 'none' && (
            <PartsFigure
              title={`${link(shownPair.a)} less ${link(shownPair.b)}, part by part`}
              marginDb={marginDb}
              parts={by.flatMap((g) =>
                g.pairs
                  .filter((p) => p.a === shownPair.a && p.b === shownPair.b)
                  .map((pair) => ({ what: g.what, pair })),
              )}
            />
          )}
          <Fold title="Every pair, part by part">
            <ByTable by={by} name={link} />
          </Fold>
          <Box sx={{ mt: 1 }}>
            <TextButton text={byCsv(by, link)} label="Copy these differences as CSV" />
          </Box>
        </PlacePart>
      )}
      <PlacePart title="Does the log hold together">
        <Sentences of={days} />
      </PlacePart>
      {prediction && (
        <PredictionSection
          found={{
            ...prediction,
            inAll: prediction.points.length,
            points: everyNth(prediction.points).map((p) => ({
              ...p,
              markId: mark(p.markId),
              linkId: link(p.linkId),
            })),
            marksOff: prediction.marksOff.map((m) => ({ ...m, markId: mark(m.markId) })),
          }}
        />
      )}
      {others.length > 0 && (
        <PlacePart title="By other scales and other stations">
          <Sentences of={others} />
        </PlacePart>
      )}
    </>
  )
}
