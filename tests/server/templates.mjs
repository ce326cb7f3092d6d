import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder for what the test files of one run share. */
export default () => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-templates-'));
  process.env.RIMSTONE_TEMPLATES = dir;
  process.once('exit', () => rmSync(dir, { recursive: true, force: true }));
};
