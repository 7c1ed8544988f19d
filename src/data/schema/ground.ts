import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { CoverKind, Rings } from '@/core/terrain'
import type { MarkMeans } from '@/core/trial'
import { id, revision, createdAt } from './columns'

/** Elevations of a piece of ground; the heights themselves are a file beside the database, named by its hash. */
export const grid = sqliteTable('grid', {
  /** SHA-256 of the heights and where they lie. */
  id: id(),
  name: text('name').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  west: real('west').notNull(),
  north: real('north').notNull(),
  stepLon: real('step_lon').notNull(),
  stepLat: real('step_lat').notNull(),
  scaleM: real('scale_m').notNull(),
  /** Cells that were voids and are filled, and those that stay unknown. */
  filledCells: integer('filled_cells').notNull(),
  voidCells: integer('void_cells').notNull(),
  /** Made of heights at a few places for one trial, in which alone it counts unless another takes it; null for all. */
  ofTrial: text('of_trial'),
  createdAt: createdAt(),
})

/** What an area is for: what stands on the ground there, or ground that is to be covered. */
export type AreaKind = CoverKind | 'to cover'

export const area = sqliteTable('area', {
  id: id(),
  revision: revision(),
  name: text('name').notNull().default(''),
  kind: text('kind').$type<AreaKind>().notNull(),
  /** Of what stands there, m; 0 for an area to cover. */
  heightM: real('height_m').notNull(),
  rings: text('rings', { mode: 'json' }).$type<Rings>().notNull(),
  createdAt: createdAt(),
})

/** A map of the user's own as a backdrop; its tiles are a file beside the database, named by its hash. */
export const backdrop = sqliteTable('backdrop', {
  /** SHA-256 of the file. */
  id: id(),
  name: text('name').notNull(),
  attribution: text('attribution').notNull().default(''),
  format: text('format').$type<'png' | 'jpg' | 'webp'>().notNull(),
  minZoom: integer('min_zoom').notNull(),
  maxZoom: integer('max_zoom').notNull(),
  /** West, south, east, north, degrees; null where the file does not say. */
  bounds: text('bounds', { mode: 'json' }).$type<[number, number, number, number] | null>(),
  createdAt: createdAt(),
})

/** A base, a candidate for one, a relay's place, or a far end that is not ours. */
export const site = sqliteTable('site', {
  id: id(),
  revision: revision(),
  name: text('name').notNull(),
  role: text('role').$type<'base' | 'candidate' | 'relay' | 'other station'>().notNull(),
  lat: real('lat'),
  lon: real('lon'),
  /** Radius of doubt, m: a stranger known by town or grid locator only. */
  doubtM: real('doubt_m'),
  moves: integer('moves', { mode: 'boolean' }).notNull().default(false),
  note: text('note').notNull().default(''),
  createdAt: createdAt(),
})

export const leg = sqliteTable('leg', {
  id: id(),
  revision: revision(),
  siteId: text('site_id')
    .notNull()
    .references(() => site.id),
  name: text('name').notNull(),
  how: text('how').$type<'bearing' | 'track' | 'marks'>().notNull(),
  bearingDeg: real('bearing_deg'),
  /** Places of the way, in order out from the base. */
  track: text('way', { mode: 'json' })
    .$type<{ lat: number; lon: number; elevationM?: number | null }[]>()
    .notNull(),
  createdAt: createdAt(),
})

export const mark = sqliteTable(
  'mark',
  {
    id: id(),
    legId: text('leg_id')
      .notNull()
      .references(() => leg.id, { onDelete: 'cascade' }),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    how: text('how').$type<MarkMeans>().notNull().default('coordinates'),
    lat: real('lat'),
    lon: real('lon'),
    /** Crow-flies from the base, m, with its standard deviation where it was not by coordinates. */
    distanceM: real('distance_m').notNull(),
    distanceSdM: real('distance_sd_m'),
    alongM: real('along_m'),
    bearingDeg: real('bearing_deg'),
    /** The user's own words for the kind of place: "high", "in the wood". */
    tags: text('tags', { mode: 'json' }).$type<string[]>().notNull().default([]),
  },
  (t) => [index('mark_leg').on(t.legId)],
)
