import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import type { ShopBackups } from './backup/shop-backups';
import type { DeviceHub } from './devices/device-hub';
import type { ShopExchange } from './exchange/shop-exchange';
import type { LiveHub } from './live/live-hub';
import type { ShopRiders } from './riders/shop-riders';
import type { Restore } from './routes/backups';
import type { TakeIn } from './routes/exchange';
import type { ManyIn } from './routes/record-files';
import type { Forget } from './routes/riders';
import type { WorkPool } from './work/work-pool';

/** The server's options beside its database. */
export interface AppOptions {
  logger: Logger;
  /** The folder of the photos. */
  photosDir: string;
  devices?: DeviceHub;
  /** The shop's one passphrase, while sign-in is off. */
  passphrase?: string | undefined;
  /** Other computers can reach it. */
  isReachable?: boolean;
  /** The address of a proxy whose word on the client is believed. */
  proxy?: string | null;
  /** The root certificate a tablet has to trust, in PEM. */
  root?: string | null;
  /** Addresses at which other computers find it. */
  addresses?: () => string[];
  /** Threads for long work; without them it is done here. */
  work?: WorkPool;
  /** Tells the screens what was written. */
  live?: LiveHub;
  /** Whether the database's file is still the one that was opened. */
  isHere?: () => boolean;
  /** The shop's backups, and how one is restored; without it there are none. */
  backups?: { store: ShopBackups; restore: Restore | null };
  /** Export and import of the shop; without it there is neither. */
  exchange?: { store: ShopExchange; takeIn: TakeIn | null };
  /** Imports very many records beside the running shop; without it they are written at once. */
  manyIn?: ManyIn;
  /** Counts writes once their body is whole, and refuses them while the shop's file is replaced. */
  beforeWrite?: RequestHandler;
  /** Rider data, and how a rider is erased; without it there is neither. */
  riders?: { store: ShopRiders; forget: Forget | null };
}
