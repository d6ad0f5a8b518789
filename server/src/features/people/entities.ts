import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** One lending place of the programme: a library's branch or a club. */
@Entity()
export class Branch {
  @PrimaryColumn('uuid') id: string
  @Column('text') name: string
  /** IANA zone in which days begin and due times are meant. */
  @Column('text') zone: string
  @Column('text') emergencyLine: string
  @Column('text', { default: 'EUR' }) currency: string
  @Column('integer', { default: 14 }) loanDays: number
  @Column('text', { default: '17:00' }) returnTime: string
  @Column('jsonb') policies: object
}

@Entity()
@Index('uq_staff_email_lower', { synchronize: false })
export class Staff {
  @PrimaryColumn('uuid') id: string
  @Column('text') name: string
  @Column('text') email: string
  @Column('text', { nullable: true }) passwordHash: string | null
  @Column('timestamptz', { nullable: true }) closedAt: Date | null
}

@Entity()
@Check('ck_membership_role', `"role" IN ('coordinator', 'volunteer', 'read-only')`)
export class Membership {
  @ForeignKey('Staff') @PrimaryColumn('uuid') staffId: string
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @Column('text') role: string
}

@Entity('session')
@Index(['staffId'])
export class SessionRow {
  @PrimaryColumn('text') tokenHash: string
  @ForeignKey('Staff') @Column('uuid') staffId: string
  @Column('timestamptz') expiresAt: Date
  @Column('timestamptz', { default: () => 'now()' }) startedAt: Date
  @Column('timestamptz', { default: () => 'now()' }) lastSeenAt: Date
}

/** How often a password was tried lately, for one person or from one address. */
@Entity('sign_in_try')
export class SignInTry {
  /** A hash: neither mail addresses nor machines' addresses are kept here. */
  @PrimaryColumn('text') key: string
  @Column('integer') tries: number
  @Column('timestamptz') since: Date
}

/** A one-time link: for the first coordinator, for new people, and for a new password. */
@Entity('invitation')
@Check('ck_invitation_kind', `"kind" IN ('first-coordinator', 'invite', 'reset')`)
export class InvitationRow {
  @PrimaryColumn('text') tokenHash: string
  @Column('text') kind: string
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) staffId: string | null
  @ForeignKey('Branch') @Column('uuid', { nullable: true }) branchId: string | null
  @Column('timestamptz') expiresAt: Date
  @Column('timestamptz', { nullable: true }) usedAt: Date | null
}
