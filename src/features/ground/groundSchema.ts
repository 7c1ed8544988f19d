import * as yup from 'yup'
import { figure, flag, id, list, MAX_LETTERS, MAX_TAGS, oneOf, record, text } from '@/core/schema'
import { COVER_KINDS, MAX_CELLS } from '@/core/terrain'
import { decimal, needed, openFigure, type OpenFigure } from '@/ui/fields/decimal'

const lat = (number: OpenFigure) =>
  needed(number(), 'The latitude')
    .min(-89, 'Between -89 and 89 degrees')
    .max(89, 'Between -89 and 89 degrees')
const lon = (number: OpenFigure) =>
  needed(number(), 'The longitude')
    .min(-180, 'Between -180 and 180 degrees')
    .max(180, 'Between -180 and 180 degrees')

const baseName = () => text(MAX_LETTERS.name).required('Name the place, such as "Harbour"')
const baseFields = (number: OpenFigure) => ({ name: baseName(), lat: lat(number), lon: lon(number) })

/** A base as it is typed, and as the server takes it. */
export const baseForm = yup.object(baseFields(decimal)).noUnknown()
export const baseSchema = record(baseFields(openFigure))
/** A base whose place nobody wrote down: distances from it are by tape, wheel or paces. */
export const bareBaseForm = yup.object({ name: baseName() }).noUnknown()
export const bareBaseSchema = record({ name: baseName() })

/** A leg by bearing: marks at even distances out from the base, in m. */
export const bearingLegForm = yup.object({
  name: text(MAX_LETTERS.name).required('Name the leg, such as "Shore road"'),
  bearingDeg: needed(decimal(), 'The bearing').min(0, '0 to 360 degrees').max(360, '0 to 360 degrees'),
  spacing: needed(decimal(), 'The spacing').moreThan(0, 'Spacing must be above 0'),
  count: needed(decimal(), 'The number of marks')
    .integer('A whole number')
    .min(1, 'At least 1')
    .max(200, 'At most 200'),
})

const placeFields = {
  lat: figure().min(-89).max(89).required(),
  lon: figure().min(-180).max(180).required(),
}
const placeRecord = record(placeFields)
const metres = () => figure().min(0).max(2.01e7)

/** A leg as the server takes it. */
export const legSchema = record({
  name: text(MAX_LETTERS.name).required('Name the leg, such as "Shore road"'),
  how: oneOf(['bearing', 'track', 'marks']),
  bearingDeg: figure().min(-360).max(360).nullable().default(null),
  track: list(
    record({
      ...placeFields,
      elevationM: figure().min(-12_000).max(9_000).nullable().default(null),
    }).required(),
    200_000,
  )
    .max(200_000, 'The way has more than 200 000 points; thin it out.')
    .required(),
  marks: list(
    record({
      name: text(40).required(),
      place: placeRecord.required(),
      alongM: metres().nullable().default(null),
    }).required(),
    500,
  )
    .min(1, 'The leg has no marks.')
    .max(500, 'A leg has at most 500 marks; make the spacing wider.')
    .required(),
})

const means = () => oneOf(['tape', 'wheel', 'paces', 'odometer', 'pegged'])
const distanceM = () => figure().min(1, 'At least 1 m').max(100_000, 'At most 100 km').required()

/** Marks by distance alone. */
export const tapeLegSchema = record({
  name: text(MAX_LETTERS.name).required('Name the leg, such as "Down the lane"'),
  bearingDeg: figure().min(0).max(360).nullable().default(null),
  how: means(),
  sdShare: figure().min(0).max(0.5).required(),
  distancesM: list(distanceM(), 200)
    .min(1, 'Say at least one distance')
    .max(200, 'At most 200 marks')
    .required(),
})

/** The kinds of place that a mark is tagged as. */
export const tagsSchema = record({
  markId: id(),
  tags: list(text(MAX_LETTERS.tag).required(), MAX_TAGS)
    .max(MAX_TAGS, `At most ${MAX_TAGS} tags for one mark`)
    .required(),
})

export const measuredSchema = record({
  markId: id(),
  how: means(),
  distanceM: distanceM(),
  distanceSdM: figure().min(0).max(50_000).required(),
})

const areaFields = {
  name: text(MAX_LETTERS.name).default(''),
  kind: oneOf([...COVER_KINDS, 'to cover']),
  heightM: figure().min(0, 'A height is 0 or more').max(120, 'At most 120 m').required(),
}
const OFF = 'A corner is off the globe'
const degrees = (most: number) => figure().min(-most, OFF).max(most, OFF).required(OFF)
const corner = yup.tuple([degrees(180), degrees(89)]).required()

/** Areas as the server takes them. */
export const areasSchema = list(
  record({
    ...areaFields,
    rings: list(list(corner, 20_000).min(4, 'An area needs three corners or more').required(), 200)
      .min(1)
      .required(),
  }).required(),
  2000,
)
  .min(1)
  .max(2000, 'At most 2000 areas at once')
  .required()
export const areaEditSchema = record({ id: id(), revision: figure().integer().required(), ...areaFields })

const oneMarkFields = (number: OpenFigure) => ({
  name: text(MAX_LETTERS.name).required('Name the mark, such as "Gate"'),
  lat: lat(number),
  lon: lon(number),
})

/** One mark by its coordinates, as it is typed and as the server takes it. */
export const oneMarkForm = yup.object({ ...oneMarkFields(decimal), legId: yup.string() }).noUnknown()
export const oneMarkSchema = record({
  ...oneMarkFields(openFigure),
  trialId: id(),
  legId: id().nullable().defined(),
})

/** A mark that was moved on the map. */
export const movedSchema = record({
  markId: id(),
  place: placeRecord.required(),
  alongM: metres().nullable().default(null),
})

const siteFields = (number: OpenFigure) => ({
  name: text(MAX_LETTERS.name).required('Name the place, such as "North Top"'),
  lat: lat(number),
  lon: lon(number),
  role: oneOf(['candidate', 'relay', 'other station']),
  doubtM: number().min(0, 'A radius is 0 or more').max(1_000_000, 'At most 1000 km'),
  moves: flag().default(false),
  note: text(MAX_LETTERS.question).default(''),
})

/** A place beside the base, as it is typed and as the server takes it. */
export const siteForm = yup.object(siteFields(decimal)).noUnknown()
export const siteSchema = record(siteFields(openFigure))

/** Where a grid lies and how it is made. */
export const gridPlaceRecord = record({
  name: text(MAX_LETTERS.fileName).required(),
  ofTrial: text(MAX_LETTERS.id).nullable(),
  width: figure().integer().min(2).required(),
  height: figure().integer().min(2).required(),
  west: figure().min(-181).max(181).required(),
  north: figure().min(-91).max(91).required(),
  stepLon: figure().moreThan(0).max(10).required(),
  stepLat: figure().moreThan(0).max(10).required(),
  scaleM: figure().oneOf([0.1, 1]).required(),
}).test('cells', `At most ${MAX_CELLS} cells`, (v) => v.width * v.height <= MAX_CELLS)

/** A piece of ground that counts in a trial, or does not. */
export const chosenGround = record({
  trialId: id(),
  kind: oneOf(['grid', 'area', 'backdrop']),
  ofId: id(),
  used: flag().required(),
})
