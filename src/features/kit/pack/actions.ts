'use server'

import { revalidatePath } from 'next/cache'
import * as yup from 'yup'
import { db, setPacking } from '@/data'

const packing = yup.object({
  use: yup
    .string()
    .oneOf(['in turn', 'at once'] as const)
    .required(),
  hours: yup.number().moreThan(0).max(1000).nullable().default(null),
  temperatureC: yup.number().min(-60).max(60).required(),
  ticked: yup.array(yup.string().required().max(200)).max(1000).required(),
})

/** Keeps what was ticked off, and for how long it is packed. */
export async function storePacking(trialId: string, raw: unknown): Promise<void> {
  setPacking(db(), trialId, packing.validateSync(raw))
  revalidatePath(`/trials/${trialId}/kit/pack`)
}
