import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

@Entity()
@Index(['branchId'])
export class Model {
  @PrimaryColumn('uuid') id: string
  /** Whose it is: this branch's coordinators change it, where they coordinate every branch that has kits of it. */
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') name: string
  @Column('text') family: string
  @Column('jsonb') optics: object
  /** Groups that are weighed together: name and the step of the scale they are weighed on. */
  @Column('jsonb', { default: () => "'[]'" }) weighGroups: object
  /** What mount and tube measure; null while nobody did. */
  @Column('jsonb', { nullable: true }) mount: object | null
  /** How its stand is locked, its tube fixed, its arm set on; null while nobody said. */
  @Column('jsonb', { nullable: true }) stand: object | null
  /** The model's own steps; null for its family's. */
  @Column('jsonb', { nullable: true }) procedure: object | null
  /** What mirrors, cell and cap measure; null while nobody did. */
  @Column('jsonb', { nullable: true }) mirror: object | null
  /** Finder, its knobs, and how the tube focuses; null while nobody described them. */
  @Column('jsonb', { nullable: true }) finder: object | null
  @Column('integer', { default: 1 }) version: number
}

/** A part as a model's kits have it; its order is that of every contents card. */
@Entity('model_part')
@Check('ck_model_part_count', `"count" >= 1`)
@Index(['modelId', 'position'])
export class ModelPartRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Model') @Column('uuid') modelId: string
  @Column('integer') position: number
  @Column('text') name: string
  @Column('text') role: string
  @Column('text') criticality: string
  @Column('integer') count: number
  @Column('double precision', { nullable: true }) massG: number | null
  @Column('double precision', { nullable: true }) toleranceG: number | null
  @Column('text', { default: '' }) weighGroup: string
  /** Name of the things it is lost with, all at once: both clamp screws, a Barlow with its caps. */
  @Column('text', { default: '' }) together: string
  @Column('text') place: string
  @Column('boolean') lookEveryTime: boolean
  @Column('text', { default: '' }) lookFor: string
  @Column('integer', { nullable: true }) costMinor: number | null
  @Column('jsonb', { nullable: true }) consumable: object | null
  @Column('jsonb', { default: () => "'{}'" }) optics: object
  @ForeignKey('Picture') @Column('uuid', { nullable: true }) pictureId: string | null
}

@Entity()
@Check('ck_kit_stands_at', `"stands_at" IN ('shelf', 'desk', 'bench')`)
@Check('ck_kit_collimation', `"collimation_policy" IN ('leave-it-to-us', 'with-help-sheet')`)
@Index(['branchId'])
@Index(['modelId'])
@Index('uq_kit_code_upper', { synchronize: false })
export class Kit {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('Model') @Column('uuid') modelId: string
  @Index({ unique: true }) @Column('text') code: string
  @Column('text') name: string
  @Column('text') place: string
  /** Where it stands while it is here; *desk* is where a kit waits to be gone through. */
  @Column('text') standsAt: 'shelf' | 'desk' | 'bench'
  @Column('text', { default: 'leave-it-to-us' }) collimationPolicy: string
  /** Where its finder sits, as somebody measured it: offset, when, by whom; null leaves it to the model. */
  @Column('jsonb', { nullable: true }) ownFinder: object | null
  @Column('text', { default: '' }) owner: string
  @Column('text', { default: '' }) serialNumber: string
  @Column('integer', { nullable: true }) priceMinor: number | null
  @Column('text', { default: '' }) note: string
  /** Codes of hazards found and not yet cured. */
  @Column('text', { array: true, default: () => "'{}'" }) hazards: string[]
  /** The head's own moment about its right-ascension axis, + on the tube's side; learnt from a balanced position. */
  @Column('double precision', { nullable: true }) headMomentGmm: number | null
  @Column('integer', { default: 1 }) version: number
}

@Entity('part')
@Check('ck_part_counts', `"count" >= 1 AND "present_count" >= 0 AND "present_count" <= "count"`)
@Check('ck_part_mark', `"mark" IN ('present', 'missing', 'damaged', 'wrong', 'unseen')`)
@Index(['kitId', 'position'])
@Index(['kitId'], { where: `"mark" = 'missing'` })
@Index('ix_part_noted', ['kitId'], { where: `"note" <> ''` })
@Index('ix_part_name_letters', { synchronize: false })
export class PartRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('ModelPartRow', { onDelete: 'SET NULL' }) @Index() @Column('uuid', { nullable: true }) modelPartId:
    string | null
  @Column('integer') position: number
  @Column('text') name: string
  @Column('text') role: string
  @Column('text') criticality: string
  @Column('integer') count: number
  @Column('integer') presentCount: number
  @Column('double precision', { nullable: true }) massG: number | null
  @Column('double precision', { nullable: true }) toleranceG: number | null
  /** The mass was weighed in this kit; a declared one never replaces it. */
  @Column('boolean', { default: false }) weighed: boolean
  @Column('text', { default: '' }) weighGroup: string
  @Column('text', { default: '' }) together: string
  @Column('text') place: string
  @Column('boolean', { default: false }) lookEveryTime: boolean
  @Column('text', { default: '' }) lookFor: string
  @Column('text') mark: string
  /** When somebody last saw it; null where nobody ever did. */
  @Column('timestamptz', { nullable: true }) seenAt: Date | null
  @Column('text', { default: '' }) note: string
  /** What it has had for long. */
  @Column('text', { default: '' }) knownWear: string
  /** What lies in its place where the mark is wrong. */
  @Column('text', { default: '' }) wrongItem: string
  @Column('uuid', { array: true, default: () => "'{}'" }) pictureIds: string[]
  @Column('jsonb', { nullable: true }) consumable: object | null
  @Column('integer', { nullable: true }) costMinor: number | null
  @Column('jsonb', { default: () => "'{}'" }) optics: object
}

/** Something in a kit's case that its card doesn't list, until it is put where it belongs. */
@Entity('extra_part')
@Check('ck_extra_part_count', `"count" >= 1`)
@Index(['kitId'], { where: '"settled_at" IS NULL' })
@Index(['loanId'])
export class ExtraPartRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('Loan') @Column('uuid', { nullable: true }) loanId: string | null
  @Column('text') name: string
  @Column('integer', { default: 1 }) count: number
  /** Kits it may belong to, by name. */
  @Column('text', { default: '' }) belongsTo: string
  @Column('text', { default: '' }) note: string
  @Column('uuid', { array: true, default: () => "'{}'" }) pictureIds: string[]
  @Column('timestamptz') foundAt: Date
  @Column('timestamptz', { nullable: true }) settledAt: Date | null
}

/** Something to be done for a kit. Some keep it in until a bench check closes them; others follow a part. */
@Entity()
@Index(['kitId'], { where: '"closed_at" IS NULL' })
// One open job of a kind for a part, whoever marks it how often.
@Index(['partId', 'code'], { unique: true, where: '"closed_at" IS NULL AND "part_id" IS NOT NULL' })
@Index(['loanId'])
@Index(['partId'])
@Index(['kitId', 'openedAt'])
export class Job {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @Column('text') code: string
  @Column('text', { default: '' }) text: string
  @Column('text', { default: '' }) note: string
  @ForeignKey('PartRow', { onDelete: 'CASCADE' }) @Column('uuid', { nullable: true }) partId: string | null
  @ForeignKey('Loan') @Column('uuid', { nullable: true }) loanId: string | null
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) ownerId: string | null
  @Column('date', { nullable: true }) dueOn: string | null
  /** Drying takes its time: it can't be closed before. */
  @Column('timestamptz', { nullable: true }) notBefore: Date | null
  @ForeignKey('Notice') @Column('uuid', { nullable: true }) noticeId: string | null
  @Column('timestamptz') openedAt: Date
  @Column('timestamptz', { nullable: true }) closedAt: Date | null
  @Column('integer', { default: 1 }) version: number
}
