/** A backup: one archive with the database, the pictures and a word about both. */
import { z } from 'zod';
import { DATABASE_FILE } from '../store/database';

export const BACKUP_NOTE = 'loom-kin.json';
export const BACKUP_DATABASE = DATABASE_FILE;
/** Only such pictures are taken out of one. */
export const PICTURE_PATH = /^pictures\/[0-9a-f]{24}\.(?:jpg|png|small\.webp|small\.png)$/;

export const BackupNoteSchema = z.object({
  format: z.literal('loom-kin/backup'),
  version: z.literal(1),
  madeAt: z.string().max(40),
  families: z.number().int().min(0),
  children: z.number().int().min(0),
  pictures: z.number().int().min(0),
  /** How many changes of its tables the database has been through. */
  migrations: z.number().int().min(0),
  /** SHA-256 of the database, in hexadecimal; backups of before have none. */
  digest: z.string().max(64).optional(),
});
export type BackupNote = z.infer<typeof BackupNoteSchema>;
