import type { Place } from '@/core/geo'

const DIGITS = 6

/** A place as it stands in the fields: to a tenth of a metre. */
export const placeDigits = ({ lat, lon }: Place) => ({ lat: lat.toFixed(DIGITS), lon: lon.toFixed(DIGITS) })
