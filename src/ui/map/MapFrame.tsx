'use client'

// With the page: a style sheet that comes later has everything laid out anew.
import 'ol/ol.css'
import dynamic from 'next/dynamic'
import type { GroundMapProps } from './GroundMap'

async function load() {
  const [{ GroundMap }, { mapFontsReady }] = await Promise.all([import('./GroundMap'), import('./mapFont')])
  await mapFontsReady()
  return GroundMap
}

const GroundMap = dynamic(load, {
  ssr: false,
  loading: () => <div style={{ background: 'var(--raised)', border: '1px solid var(--rule)' }} />,
})

/** The map in its place, which is kept until the map has come. */
export function MapFrame(props: GroundMapProps) {
  return (
    <div style={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', minHeight: props.height }}>
      <GroundMap {...props} />
    </div>
  )
}
