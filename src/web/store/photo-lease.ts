/**
 * The cache in which the service worker reads until when it may show photos. The name stands in
 * vite.config.mts too.
 */
const CACHE = 'rimstone-lease';
const ADDRESS = '/photo-lease';

/** Lets the service worker show cached photos until a moment, ms since 1970. */
export const renewPhotoLease = async (untilMs: number): Promise<void> => {
  try {
    await (await caches.open(CACHE)).put(ADDRESS, new Response(String(untilMs)));
  } catch {
    // Without a cache there is nothing to show from it.
  }
};

/** From now on photos come from the server only, which refuses them to a locked screen. */
export const endPhotoLease = async (): Promise<void> => {
  try {
    await caches.delete(CACHE);
  } catch {
    // As above.
  }
};
