import type { HandOutForm, Slip } from '@binoculum/contract'
import { localAsUtcMs, offsetsOfLocal, zoneOffsetHours } from '@binoculum/core'

interface Written {
  readonly borrower: string
  /** The chosen day, `2026-10-30`; empty while the form's own stands. */
  readonly dueOn: string
  readonly missing: number
  readonly massG: number
  readonly outAtUtc: string
}

/** The slip as it will be, before the kit goes out: without a loan's code and without a link. */
export const draftSlip = (form: HandOutForm, written: Written): Slip => ({
  loanId: form.kit.id,
  loanCode: '',
  kitCode: form.kit.code,
  kitName: form.kit.name,
  modelName: form.kit.modelName,
  branchName: form.kit.branchName,
  borrower: written.borrower,
  outAtUtc: written.outAtUtc,
  dueAtUtc: instantOf(`${written.dueOn || form.dueOn}T${form.returnTime}`, form.kit.zone),
  zone: form.kit.zone,
  partCount: form.kit.parts.length - written.missing,
  massG: written.massG,
  eyepieces: form.kit.parts.filter(({ optics }) => optics.focalLengthMm || optics.barlow).map(({ name }) => name),
  notes: [],
  guidePath: null,
})

/** A wall clock's time in the branch's zone, whatever zone the machine is in; a time that the clocks skip is moved on by
 * as much as they are. */
function instantOf(local: string, zone: string): string {
  const localMs = localAsUtcMs(local)
  const hours = offsetsOfLocal(zone, local)[0] ?? zoneOffsetHours(zone, localMs - 24 * 3_600_000)
  return new Date(localMs - hours * 3_600_000).toISOString()
}
