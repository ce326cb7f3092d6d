/** Backups of the whole shop: what they hold, in counts and words. */
export { heldAgainst, type Holdings } from './holdings';
export {
  BACKUP_WORDS,
  sizeText,
  type BackupKind,
  type BackupsNow,
  type KeptBackup,
  type LookedInto,
  type TestedRestore,
} from './kept-backup';
