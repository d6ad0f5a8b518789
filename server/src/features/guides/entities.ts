import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A borrower's guide, frozen as issued. */
@Entity('guide')
export class GuideRow {
  @PrimaryColumn('uuid') id: string
  @Index({ unique: true }) @ForeignKey('Loan') @Column('uuid') loanId: string
  /** All of it while the loan is open; later what only this guide has. */
  @Column('jsonb') content: object
  /** Hashes of the parts kept as pieces, by language and name; those of no language stand under ''. */
  @Column('jsonb', { default: () => "'{}'" }) pieces: object
  /** Of which it was issued; '' where that is not known. */
  @Column('text', { default: '' }) shape: string
  @Column('timestamptz') issuedAt: Date
}

/** A long part of guides whose loans are over, kept once however many guides have it. It names no borrower. */
@Entity('guide_piece')
export class GuidePieceRow {
  @PrimaryColumn('text') hash: string
  @Column('jsonb') body: object
}

/** What a borrower sent from the guide. It names the loan, never the borrower. */
@Entity('borrower_message')
@Check('ck_borrower_message_kind', `"kind" IN ('report', 'contents', 'look')`)
@Index(['kitId', 'at'])
@Index(['branchId', 'at'])
@Index(['loanId'])
export class BorrowerMessageRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('Loan') @Column('uuid') loanId: string
  @Column('text') kind: 'report' | 'contents' | 'look'
  @Column('jsonb') body: object
  @ForeignKey('Picture') @Column('uuid', { nullable: true }) pictureId: string | null
  @Column('timestamptz') at: Date
  @Column('timestamptz', { nullable: true }) seenAt: Date | null
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) seenBy: string | null
}

/** How many borrowers of a model looked for something, and how many saw it. Counts only: who told what is kept nowhere. */
@Entity('told_target')
export class ToldTargetRow {
  @ForeignKey('Model') @PrimaryColumn('uuid') modelId: string
  @PrimaryColumn('text') key: string
  @Column('text') name: string
  @Column('integer') tried: number
  @Column('integer') saw: number
}

/** How many nights with a model ended at a step, or by something else; an empty key counts those that nothing ended. */
@Entity('told_stop')
export class ToldStopRow {
  @ForeignKey('Model') @PrimaryColumn('uuid') modelId: string
  @PrimaryColumn('text') key: string
  @Column('text') title: string
  @Column('integer') nights: number
}

/** A block, an order or a translation as a coordinator wrote it. Rows are never changed: the newest in use counts. */
@Entity('guide_text')
@Check(
  'ck_guide_text_scope',
  `("scope" = 'programme' AND "model_id" IS NULL AND "kit_id" IS NULL) OR ("scope" = 'model' AND "model_id" IS NOT NULL AND "kit_id" IS NULL) OR ("scope" = 'kit' AND "kit_id" IS NOT NULL AND "model_id" IS NULL)`,
)
@Index(['branchId', 'key', 'at'])
export class GuideTextRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') scope: 'programme' | 'model' | 'kit'
  @ForeignKey('Model') @Column('uuid', { nullable: true }) modelId: string | null
  @ForeignKey('Kit') @Column('uuid', { nullable: true }) kitId: string | null
  /** A block's key; `_order` holds the blocks' order, `_words` a translation of the English sentence in `title`. */
  @Column('text') key: string
  @Column('text') language: string
  @Column('text', { default: '' }) title: string
  /** Null: the block is left out, with the reason. */
  @Column('text', { nullable: true }) text: string | null
  @Column('text', { default: '' }) reason: string
  @Column('boolean') inUse: boolean
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}
