import type { Place } from '@/core/geo'
import { flatHeights, flatPlace, terrainOf } from '@/core/terrain'
import { link, rig } from './plans'

/** A base on flat ground, where what a site covers is a disc about it, and a link whose antennas are known. */
export const BASE: Place = { lat: 47.3, lon: -29.55 }
export const LINK = link(
  rig('A', { powerW: 2, antennaGainDbi: -6 }),
  rig('H', { kind: 'base', powerW: 10, antennaHeightM: 8, antennaGainDbi: 2 }),
)
const flat = flatPlace(BASE, 9000)
export const TERRAIN = terrainOf([{ ...flat, data: flatHeights(flat), filled: null }])
