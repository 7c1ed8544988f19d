import { db, getDevice, givenRuns } from '@/data'
import { whoAsks } from '@/server/door/whoAsks'

/** Who the server takes this device for, and the runs it was given. */
export function GET(request: Request) {
  const { asker, deviceId } = whoAsks(request.headers)
  const device = deviceId === null ? null : getDevice(db(), deviceId)
  return Response.json({
    asker,
    device: device && { name: device.name, sign: device.sign },
    runs: device ? givenRuns(db(), device.id) : [],
  })
}
