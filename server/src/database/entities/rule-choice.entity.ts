import { RULE_SEVERITIES, type RuleChoice } from '@vennet/core/audit';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** How grave an author takes a rule of the audit in one book, and why. */
@Entity('rule_choices')
export class RuleChoiceEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @PrimaryColumn({ type: 'varchar', length: 64 })
  rule: string;

  @Column({ type: 'enum', enum: RULE_SEVERITIES })
  severity: RuleChoice['severity'];

  @Column({ type: 'text' })
  reason: string;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3 })
  at: Date;
}
