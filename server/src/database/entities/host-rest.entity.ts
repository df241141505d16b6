import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A rest that a host asked for. */
@Entity('host_rests')
export class HostRestEntity {
  @PrimaryColumn({ type: 'varchar', length: 300 })
  host: string;

  @Column({ type: 'datetime', precision: 3, name: 'until_time' })
  until: Date;
}
