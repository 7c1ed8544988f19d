import * as yup from 'yup'
import { COVER_KINDS } from '@/core/terrain'
import { decimal, neededDecimal } from '@/ui/fields/decimal'

const lat = () =>
  neededDecimal('The latitude').min(-89, 'Between -89 and 89 degrees').max(89, 'Between -89 and 89 degrees')
const lon = () =>
  neededDecimal('The longitude')
    .min(-180, 'Between -180 and 180 degrees')
    .max(180, 'Between -180 and 180 degrees')

const baseName = () => yup.string().trim().required('Name the place, such as "Harbour"').max(60)
export const baseSchema = yup.object({ name: baseName(), lat: lat(), lon: lon() })
/** A base whose place nobody wrote down: distances from it are by tape, wheel or paces. */
export const bareBaseSchema = yup.object({ name: baseName() })

/** A leg by bearing: marks at even distances out from the base, in m. */
export const bearingLegSchema = yup.object({
  name: yup.string().trim().required('Name the leg, such as "Shore road"').max(60),
  bearingDeg: neededDecimal('The bearing').min(0, '0 to 360 degrees').max(360, '0 to 360 degrees'),
  spacing: neededDecimal('The spacing').moreThan(0, 'Spacing must be above 0'),
  count: neededDecimal('The number of marks')
    .integer('A whole number')
    .min(1, 'At least 1')
    .max(200, 'At most 200'),
})

const place = yup.object({
  lat: yup.number().min(-89).max(89).required(),
  lon: yup.number().min(-180).max(180).required(),
})

/** A leg as the server takes it. */
export const legSchema = yup.object({
  name: yup.string().trim().required().max(60),
  how: yup
    .string()
    .oneOf(['bearing', 'track', 'marks'] as const)
    .required(),
  bearingDeg: yup.number().nullable().default(null),
  way: yup
    .array(place.shape({ elevationM: yup.number().nullable().default(null) }).required())
    .max(200_000, 'The way has more than 200 000 points; thin it out.')
    .required(),
  marks: yup
    .array(
      yup
        .object({
          name: yup.string().trim().required().max(40),
          place: place.required(),
          alongM: yup.number().nullable().default(null),
        })
        .required(),
    )
    .min(1, 'The leg has no marks.')
    .max(500, 'A leg has at most 500 marks; make the spacing wider.')
    .required(),
})

const means = () =>
  yup
    .string()
    .oneOf(['tape', 'wheel', 'paces', 'pegged'] as const)
    .required()
const distanceM = () => yup.number().min(1, 'At least 1 m').max(100_000, 'At most 100 km').required()

/** Marks by distance alone. */
export const tapeLegSchema = yup.object({
  name: yup.string().trim().required('Name the leg, such as "Down the lane"').max(60),
  bearingDeg: yup.number().min(0).max(360).nullable().default(null),
  how: means(),
  sdShare: yup.number().min(0).max(0.5).required(),
  distancesM: yup
    .array(distanceM())
    .min(1, 'Say at least one distance')
    .max(200, 'At most 200 marks')
    .required(),
})

export const measuredSchema = yup.object({
  markId: yup.string().required(),
  how: means(),
  distanceM: distanceM(),
  distanceSdM: yup.number().min(0).max(50_000).required(),
})

const areaFields = {
  name: yup.string().trim().max(60, 'At most 60 letters').default(''),
  kind: yup
    .string()
    .oneOf([...COVER_KINDS, 'to cover'] as const)
    .required(),
  heightM: yup.number().min(0, 'A height is 0 or more').max(120, 'At most 120 m').required(),
}
const corner = yup
  .array(yup.number().required())
  .length(2)
  .test(
    'place',
    'A corner is off the globe',
    (c) => c !== undefined && Math.abs(c[0]!) <= 180 && Math.abs(c[1]!) <= 89,
  )
  .required()

/** Areas as the server takes them. */
export const areasSchema = yup
  .array(
    yup
      .object({
        ...areaFields,
        rings: yup
          .array(yup.array(corner).min(4, 'An area needs three corners or more').max(20_000).required())
          .min(1)
          .max(200)
          .required(),
      })
      .required(),
  )
  .min(1)
  .max(2000, 'At most 2000 areas at once')
  .required()
export const areaEditSchema = yup.object({
  id: yup.string().required(),
  revision: yup.number().required(),
  ...areaFields,
})

/** A mark that was moved on the map. */
export const movedSchema = yup.object({
  markId: yup.string().required(),
  place: place.required(),
  alongM: yup.number().min(0).nullable().default(null),
})

/** A place beside the base. */
export const siteSchema = yup.object({
  name: yup.string().trim().required('Name the place, such as "North Top"').max(60),
  lat: lat(),
  lon: lon(),
  role: yup
    .string()
    .oneOf(['candidate', 'relay', 'other station'] as const)
    .required(),
  doubtM: decimal().min(0, 'A radius is 0 or more').max(1_000_000, 'At most 1000 km'),
  moves: yup.boolean().default(false),
  note: yup.string().trim().max(300, 'At most 300 letters').default(''),
})
