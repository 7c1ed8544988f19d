'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { PageLink } from '@/ui/shell/PageLink'
import { useRouter } from 'next/navigation'
import { countText } from '@/core/units'
import type { OtherPlaceWithLegs } from '@/data/places'
import { useAction } from '@/ui/answers/useAction'
import { Fold } from '@/ui/shell'
import { elsewhere, takeMarksHere } from './actions'

interface Props {
  trialId: string
  places: OtherPlaceWithLegs[]
  /** The base has coordinates, so that marks can be measured from it. */
  hasBase: boolean
}

/** The same question from other places of the base: the trials that ask it, and one more. */
export function OtherPlaces({ trialId, places, hasBase }: Props) {
  const router = useRouter()
  const action = useAction()
  const go = () =>
    action.run(
      () => elsewhere(trialId),
      (id) => router.push(`/trials/${id}/ground`),
    )
  const legs = places.flatMap((p) =>
    p.legs
      .filter((l) => l.marks.length > 0 && l.marks.every((m) => m.lat !== null))
      .map((l) => ({ place: p, leg: l })),
  )
  return (
    <Fold title="The same question from another place" open={places.length > 0}>
      <Box sx={{ display: 'grid', gap: 1, mt: 1, justifyItems: 'start' }}>
        <Box sx={{ color: 'var(--soft)' }}>
          The roof this month, the hill the next: each place is a trial of its own with the same rigs and
          plan, and the findings put them beside each other.
        </Box>
        {places.map((p) => (
          <PageLink key={p.trialId} href={`/trials/${p.trialId}/ground`}>
            {p.base ?? 'No base yet'}: {p.name}
          </PageLink>
        ))}
        {hasBase &&
          legs.map(({ place, leg }) => (
            <Button
              key={leg.id}
              size="small"
              variant="outlined"
              onClick={() => void action.run(() => takeMarksHere(trialId, leg.id))}
            >
              Take {leg.name} over from {place.base ?? place.name}: {countText(leg.marks.length, 'mark')},
              measured from here
            </Button>
          ))}
        <Button variant="outlined" disabled={action.busy} onClick={() => void go()}>
          Ask it from another place
        </Button>
      </Box>
      {action.refusal('Nothing was changed', 'Place')}
    </Fold>
  )
}
