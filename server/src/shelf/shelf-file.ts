import type { ShelfFile } from '@vennet/core/shelf';
import type { EnclosureEntity } from '../database/entities/enclosure.entity.js';
import { claimOf } from './identify.js';

/** A file as it travels to the interface. */
export function shelfFileOf(row: EnclosureEntity): ShelfFile {
  const { id, name, type, sha256, description, opensFor, travels, address, pixels } = row;
  return {
    id,
    name,
    type,
    sha256,
    description,
    opensFor,
    travels,
    address,
    pixels,
    size: Number(row.size),
    claims: claimOf(name, type),
    earlier: row.earlier?.length ?? 0,
  };
}
