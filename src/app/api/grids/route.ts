import * as yup from 'yup'
import { MOST_CELLS, VOID } from '@/core/terrain'
import { db, storeGrid, unpackGrid } from '@/data'

const meta = yup
  .object({
    name: yup.string().trim().required().max(200),
    width: yup.number().integer().min(2).required(),
    height: yup.number().integer().min(2).required(),
    west: yup.number().min(-181).max(181).required(),
    north: yup.number().min(-91).max(91).required(),
    stepLon: yup.number().moreThan(0).max(10).required(),
    stepLat: yup.number().moreThan(0).max(10).required(),
    scaleM: yup.number().oneOf([0.1, 1]).required(),
  })
  .test('cells', `At most ${MOST_CELLS} cells`, (v) => v.width * v.height <= MOST_CELLS)

const refuse = (message: string) => Response.json({ message }, { status: 400 })

/** Takes in a grid that the browser has read: where it lies in the address, its heights as the body. */
export async function POST(request: Request) {
  const query = Object.fromEntries(new URL(request.url).searchParams)
  let where: yup.InferType<typeof meta>
  try {
    where = meta.validateSync(query)
  } catch (e) {
    if (!(e instanceof yup.ValidationError)) throw e
    return refuse(e.message)
  }
  const { name, ...rest } = where
  const grid = unpackGrid(rest, new Uint8Array(await request.arrayBuffer()))
  if (!grid)
    return refuse(`The heights are not ${where.width} × ${where.height}: it was cut short on its way.`)
  if (grid.data.every((v) => v === VOID)) return refuse('It holds no height at all, only voids.')
  return Response.json({ id: storeGrid(db(), name, grid) })
}
