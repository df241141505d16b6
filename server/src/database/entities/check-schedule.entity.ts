import type { CheckSchedule } from '@vennet/core/wire';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** When the links of a book are checked without being asked to. */
@Entity('check_schedules')
export class CheckScheduleEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'json' })
  schedule: CheckSchedule;

  /** When it was set, or last did its work. */
  @Column({ type: 'datetime', precision: 3, name: 'began_at' })
  beganAt: Date;
}
