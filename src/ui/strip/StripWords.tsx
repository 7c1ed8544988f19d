import Box from '@mui/material/Box'
import { SMOOTH_GROUND_ASSUMES, stateWords } from '@/core/reach'
import { distanceText, type Units } from '@/core/units'
import { Quiet } from '@/ui/shell/Quiet'
import type { Post, StripModel } from './model'

/** What the soft wedge of each lane rests on. */
export function StripNote({ model }: { model: StripModel }) {
  return (
    <Quiet className="no-print" small sx={{ mt: 0.5 }}>
      {model.thin &&
        'Each post stands for several checks near one another: as high as they were on average, its cap filled by the share that was heard. '}
      {model.lanes.every((l) => l.wedge.length === 0) ? (
        'Nothing is predicted before the day: below 30 MHz the ground wave and the sky rule, and no model of the ground tells the level.'
      ) : model.ground ? (
        <>
          {stateWords(model.ground.correctedBy)} Over this ground, diffraction by ITU-R P.526, what stands
          about the ends by P.2108, antennas of unknown gain by their kind.
          {model.ground.correctedBy === null && ' The log will correct it.'}
        </>
      ) : (
        <>
          Predicted before the day: free space, then plane earth, less {SMOOTH_GROUND_ASSUMES.clutterDb} dB
          for body and clutter, {SMOOTH_GROUND_ASSUMES.unknownGainDbi} dBi where the gain is the question,{' '}
          {SMOOTH_GROUND_ASSUMES.neededDbm} dBm needed. It knows no hills; bring the ground in under Ground.
        </>
      )}
    </Quiet>
  )
}

/** The check that was opened on the strip, in words. */
export function OpenedCheck({ lane, post, units }: { lane: string; post: Post; units: Units }) {
  return (
    <Box
      sx={{ mt: 1, px: 2, py: 1, borderLeft: '5px solid var(--accent-fill)', background: 'var(--raised)' }}
    >
      <b>{lane}</b>, {post.direction}, mark {post.markName} ({post.legName},{' '}
      {distanceText(post.distanceM, units)}): <b>{post.said}</b>
      {post.remark && <> · {post.remark}</>}
    </Box>
  )
}
