import type { Likened, Said, Streak } from '@vennet/core/reach';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What is known of a destination over all runs and all books of an author. */
@Entity('destinations')
export class DestinationEntity {
  @PrimaryColumn({ type: 'varchar' })
  owner: string;

  @PrimaryColumn({ type: 'char', length: 64, name: 'href_hash' })
  hrefHash: string;

  @Column({ type: 'text' })
  href: string;

  @Column({ type: 'datetime', precision: 3, name: 'first_seen' })
  firstSeen: Date;

  /** The page when it was last found sound, or when the link was made. */
  @Column({ type: 'json', name: 'before_now', nullable: true })
  before: Likened | null;

  @Column({ type: 'json', nullable: true })
  said: Said | null;

  @Column({ type: 'json', nullable: true })
  streak: Streak | null;
}
