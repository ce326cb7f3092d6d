import { Router } from 'express';
import { InputError } from '../../core/errors';
import type { ShopBackups } from '../backup/shop-backups';

/** Puts a backup, by its path, in the place of the running shop; says where the one before is kept. */
export type Restore = (path: string) => Promise<{ kept: string | null }>;

/** Backups: which there are, made, taken away, brought in, looked into and restored. */
export const backupRoutes = (backups: ShopBackups, restore: Restore | null): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json(backups.now()));
  router.post('/', async (_req, res) => void res.status(201).json(await backups.make('by-hand')));
  // No other type: a page of another site cannot send this.
  router.put('/brought-in', async (req, res) => {
    if (!req.is('application/zip')) throw new InputError('backup', 'There is no file.', 'a backup, as a zip file');
    res.status(201).json(await backups.bringIn(req));
  });
  router.get('/:name', (req, res) => void res.download(backups.pathOf(req.params.name)));
  router.post('/:name/look', async (req, res) => void res.json(await backups.look(req.params.name)));
  router.post('/:name/restore', async (req, res) => {
    const path = backups.pathOf(req.params.name);
    if (!restore)
      throw new InputError('backup', 'This shop is not kept in a file.', 'a shop that was started on a file');
    res.json(await restore(path));
  });
  return router;
};
