import { open } from 'node:fs/promises';

/** Waits until a file, or the names in a folder, would outlast a power cut. */
export const onDisk = async (path: string): Promise<void> => {
  const handle = await open(path, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
};
