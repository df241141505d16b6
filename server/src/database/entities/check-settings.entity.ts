import type { CheckSettings } from '@vennet/core/wire';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** How an author has links checked; what is not there is as it is by default. */
@Entity('check_settings')
export class CheckSettingsEntity {
  @PrimaryColumn({ type: 'varchar' })
  owner: string;

  @Column({ type: 'json' })
  settings: Partial<CheckSettings>;
}
