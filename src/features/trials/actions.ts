'use server'

import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import * as yup from 'yup'
import { addTrial, db, deleteTrial, refuse, type Done } from '@/data'

const newTrial = yup.object({
  name: yup.string().trim().required('Give the trial a name, such as "Short or long antenna".').max(80),
  question: yup.string().trim().max(300).default(''),
})

/** Makes a trial and opens its kit step. */
export async function makeTrial(_before: Done | null, form: FormData): Promise<Done> {
  let id: string
  try {
    const input = newTrial.validateSync({ name: form.get('name'), question: form.get('question') ?? '' })
    // The seed only has to differ between trials; it is kept with the plan, so the order can be made again.
    id = addTrial(db(), input.name, input.question, Date.now() % 1_000_000)
  } catch (e) {
    if (e instanceof yup.ValidationError) return refuse(e.message)
    throw e
  }
  revalidatePath('/', 'layout')
  redirect(`/trials/${id}/kit`)
}

export async function removeTrial(id: string): Promise<Done> {
  const result = deleteTrial(db(), id)
  revalidatePath('/', 'layout')
  return result
}
