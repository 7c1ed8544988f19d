import type { Place } from '@/core/geo'

const SECONDS = 15

/** Where this device is, asked once. Rejects with words for the user. */
export function herePlace(): Promise<Place> {
  return new Promise((resolve, reject) => {
    if (!('geolocation' in navigator))
      return reject(new Error('This browser gives no position. Type the coordinates instead.'))
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => resolve({ lat: coords.latitude, lon: coords.longitude }),
      (e) =>
        reject(
          new Error(
            e.code === e.PERMISSION_DENIED
              ? 'Position is not allowed here. Allow it for this page in the browser, or type the coordinates.'
              : 'The device gave no position. Try again under the open sky, or type the coordinates.',
          ),
        ),
      { enableHighAccuracy: true, timeout: SECONDS * 1000 },
    )
  })
}
