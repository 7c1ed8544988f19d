import * as yup from 'yup'
import { decimal, neededDecimal } from '@/ui/fields/decimal'

const lat = () =>
  neededDecimal('The latitude').min(-89, 'Between -89 and 89 degrees').max(89, 'Between -89 and 89 degrees')
const lon = () =>
  neededDecimal('The longitude')
    .min(-180, 'Between -180 and 180 degrees')
    .max(180, 'Between -180 and 180 degrees')

export const baseSchema = yup.object({
  name: yup.string().trim().required('Name the place, such as "Harbour"').max(60),
  lat: lat(),
  lon: lon(),
})

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
