import type { GpxPoint } from './gpx'

/** Collects the tracks of KML's extension: times and places, one list beside the other, alone or several in one. */
export class KmlTracks {
  private one: { times: string[]; points: GpxPoint[] } | null = null
  private several: GpxPoint[] | null = null

  open(name: string): void {
    if (name === 'Track') this.one = { times: [], points: [] }
    if (name === 'MultiTrack') this.several = []
  }

  get isOpen(): boolean {
    return this.one !== null
  }

  when(time: string): void {
    this.one?.times.push(time)
  }

  coord(point: GpxPoint): void {
    this.one?.points.push(point)
  }

  /** @returns the places of a way that ended with this element, each with its time; null where none did */
  close(name: string): GpxPoint[] | null {
    if (name === 'Track' && this.one) {
      const { times, points } = this.one
      this.one = null
      points.forEach((p, i) => (p.time = times[i] ?? null))
      if (!this.several) return points
      this.several.push(...points)
    } else if (name === 'MultiTrack') {
      const all = this.several
      this.several = null
      return all
    }
    return null
  }
}
