import { DEFAULT_DUE_CHANCE } from '@binoculum/core'
import { z } from 'zod'

export const staffRoles = ['coordinator', 'volunteer', 'read-only'] as const
export const staffRoleSchema = z.enum(staffRoles)
export type StaffRole = z.infer<typeof staffRoleSchema>

export const staffRoleWords: Readonly<Record<StaffRole, string>> = {
  coordinator: 'coordinator',
  volunteer: 'volunteer',
  'read-only': 'may look only',
}

const shortText = z.string().trim().min(1, 'must not be empty').max(200)
export const emailSchema = z.email('must be a mail address').max(254)
export const passwordSchema = z.string().min(12, 'must have 12 characters or more').max(200)
export const idSchema = z.uuid()

export const signInSchema = z.object({
  email: emailSchema,
  password: z.string().min(1, 'must not be empty').max(200),
  /** Where this person has a second factor. */
  code: z.string().trim().max(40).optional(),
})

export const membershipSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  zone: z.string(),
  role: staffRoleSchema,
})

export const sessionSchema = z.object({
  staffId: idSchema,
  name: z.string(),
  email: z.string(),
  memberships: z.array(membershipSchema),
  expiresAtUtc: z.string(),
  demo: z.boolean(),
})
export type Session = z.infer<typeof sessionSchema>

export const sessionReplySchema = z.object({ session: sessionSchema.nullable() })

/** Where one is signed in: this device, and others. */
export const ownSessionsSchema = z.object({
  sessions: z.array(z.object({ startedAtUtc: z.string(), lastSeenUtc: z.string(), isThis: z.boolean() })),
})
export type OwnSessions = z.infer<typeof ownSessionsSchema>

/** What is sensitive asks once more who is there. */
export const ownPasswordSchema = z.object({
  current: z.string().min(1, 'type the password you sign in with now').max(200),
})

/** One's own password, by the one of now; a code where one has a second factor. */
export const changePasswordSchema = ownPasswordSchema.extend({
  password: passwordSchema,
  code: z.string().trim().max(40).optional(),
})
export type ChangePassword = z.infer<typeof changePasswordSchema>

export const invitationKinds = ['first-coordinator', 'invite', 'reset'] as const
export const invitationSchema = z.object({
  kind: z.enum(invitationKinds),
  name: z.string(),
  email: z.string(),
  branchName: z.string(),
  role: staffRoleSchema,
})
export type Invitation = z.infer<typeof invitationSchema>

export const acceptInvitationSchema = z.object({
  name: shortText.optional(),
  email: emailSchema.optional(),
  password: passwordSchema,
  branchName: shortText.optional(),
  zone: shortText.optional(),
  emergencyLine: shortText.optional(),
})
export type AcceptInvitation = z.infer<typeof acceptInvitationSchema>

export const staffMemberSchema = z.object({
  id: idSchema,
  name: z.string(),
  email: z.string(),
  closed: z.boolean(),
  waiting: z.boolean(),
  memberships: z.array(membershipSchema),
})
export type StaffMember = z.infer<typeof staffMemberSchema>
export const peopleSchema = z.object({ people: z.array(staffMemberSchema) })

export const inviteSchema = z.object({
  branchId: idSchema,
  role: staffRoleSchema,
  name: shortText,
  email: emailSchema,
})
export type Invite = z.infer<typeof inviteSchema>

/** A person's role in one branch; null takes it away. */
export const setRoleSchema = z.object({ branchId: idSchema, role: staffRoleSchema.nullable() })
export type SetRole = z.infer<typeof setRoleSchema>

export const branchFieldsSchema = z.object({
  name: shortText,
  zone: shortText,
  emergencyLine: shortText,
  currency: z
    .string()
    .trim()
    .regex(/^[A-Z]{3}$/, 'three letters, such as EUR'),
  loanDays: z.number().int().min(1, 'one day at least').max(365),
  returnTime: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 17:00'),
  frontFilters: z.enum(['stay-here', 'lent']),
  /** What a picture of the open case shows as it should be: marked at one key, or looked at all the same. */
  sameByPicture: z.enum(['mark', 'look']).default('mark'),
  /** From which chance of being beyond its limit on a mirror is looked at before its next loan. */
  dueChance: z
    .number()
    .min(0.05, 'one in twenty at least')
    .max(0.9, 'nine in ten at most')
    .default(DEFAULT_DUE_CHANCE),
})
export type BranchFields = z.infer<typeof branchFieldsSchema>
export const branchViewSchema = branchFieldsSchema.extend({ id: idSchema, mayChange: z.boolean() })
export type BranchView = z.infer<typeof branchViewSchema>
export const branchesSchema = z.object({ branches: z.array(branchViewSchema) })

/** A link that is shown once; only its hash is kept. */
export const oneTimeLinkSchema = z.object({ path: z.string(), expiresAtUtc: z.string() })

export const branchAgreementSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  version: z.number().int(),
  text: z.string(),
})
export type BranchAgreement = z.infer<typeof branchAgreementSchema>
export const branchAgreementsSchema = z.object({ agreements: z.array(branchAgreementSchema) })

export const writeAgreementSchema = z.object({
  branchId: idSchema,
  text: z.string().trim().min(20, 'must say what the borrower agrees to').max(5000),
})

/** Something was made: its key. */
export const madeSchema = z.object({ id: idSchema })
