'use client'

import { useState } from 'react'
import type { Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import type { Units } from '@/core/units'
import { useAnswer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { Refused } from '@/ui/shell'
import { HorizonWords } from './HorizonWords'
import { ProfilePanel } from './ProfilePanel'
import { usePointer, type Pointer } from './pointer'

interface Props {
  worker: TerrainWorker | null
  groundKey: string
  base: Place & { name: string }
  chosen: { name: string; place: Place } | null
  pointer: Pointer
  links: Link[]
  settings: PredictionSettings
  units: Units
}

/** The profile follows the pointer over the map; away from it, it goes to what was picked. */
export function ProfileSection({ worker, groundKey, base, chosen, pointer, links, settings, units }: Props) {
  const pointed = usePointer(pointer)
  const [heights, setHeights] = useState<{ nearM: number; farM: number } | null>(null)
  const target = pointed ?? chosen?.place ?? null
  const name = pointed ? 'the pointer' : (chosen?.name ?? 'a mark')
  // While the next profile is worked out the last one stands.
  const answer = useAnswer(
    worker && target ? [worker, target, base, groundKey, name] : null,
    async ([terrain, far, near, , farName]) => {
      const profile = await terrain.profile(near, far)
      return profile && { profile, name: farName }
    },
    [worker, groundKey, base],
  )
  const found = answer.value
  const own = { nearM: links[0]?.base.antennaHeightM ?? 8, farM: links[0]?.out.antennaHeightM ?? 1.5 }
  const tried = heights ?? own
  return (
    <>
      {answer.at === 'failed' && (
        <Refused
          title="There is no profile"
          problems={[{ where: 'Ground', message: `It could not be worked out: ${answer.why}.` }]}
        />
      )}
      <ProfilePanel
        profile={found?.profile ?? null}
        baseName={base.name}
        farName={found?.name ?? 'a mark'}
        links={links}
        settings={settings}
        nearM={tried.nearM}
        farM={tried.farM}
        tried={heights !== null}
        units={units}
        onNear={(nearM) => setHeights({ ...tried, nearM })}
        onFar={(farM) => setHeights({ ...tried, farM })}
        onOwnHeights={() => setHeights(null)}
      />
      {links.length > 0 && (
        <HorizonWords
          link={links[0]!}
          model={settings.model}
          distanceKm={found?.profile.lengthKm ?? null}
          units={units}
        />
      )}
    </>
  )
}
