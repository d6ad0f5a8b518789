import { madeSchema, openCaseSchema, type KeepCaseView, type OpenCase } from '@binoculum/contract'
import type { PreparedCase } from '../../workers/compare-case.ts'
import { api } from '../api/client.ts'

/** Keeps a picture of the case with its marks. @returns the kit's case as it stands then, and which picture it was */
export async function keepCaseView(
  { kitId, branchId }: Pick<OpenCase, 'kitId' | 'branchId'>,
  { file, marks }: PreparedCase,
  more: Pick<KeepCaseView, 'referenceFor' | 'loanId' | 'compared'>,
): Promise<{ openCase: OpenCase; pictureId: string }> {
  const { id: pictureId } = await api.upload(madeSchema, `/api/pictures?branchId=${branchId}`, file)
  return { openCase: await keepAgain(kitId, { pictureId, marks, ...more }), pictureId }
}

/** A picture that is kept already, for another reason. */
export const keepAgain = (
  kitId: string,
  { marks, ...view }: Omit<KeepCaseView, 'id' | 'marks'> & Pick<PreparedCase, 'marks'>,
): Promise<OpenCase> =>
  api.post(openCaseSchema, `/api/kits/${kitId}/case-views`, {
    ...{ id: crypto.randomUUID(), ...view },
    marks: { ...marks, kitCode: marks.kitCode ?? null, insetMm: marks.insetMm ?? 0 },
  })
