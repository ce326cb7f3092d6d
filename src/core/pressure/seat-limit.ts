import { quantity } from '../fields';
import { defineWorking } from '../working';

export interface SeatLimit {
  limitKpa: number;
  /** Which of the three binds. */
  binds: 'sidewall' | 'rim' | 'shop ceiling';
}

interface Input {
  sidewallKpa?: number;
  rimKpa?: number;
  shopCeilingKpa: number;
}

/** Said wherever beads are seated. */
export const SEATING_CAUTIONS: readonly string[] = [
  'A bursting tire or rim kills. Clip-on chuck, gauge and valve at arm\u2019s length, nobody over the wheel.',
  'Never above the limit. Never a flammable gas.',
  'The maker\u2019s manual and local codes come before this screen.',
];

/**
 * The pressure that seating must never pass: the lowest of the limits known.
 *
 * All 20 to 1000 kPa; sidewall and rim where they are printed. Common practice: the lowest binds.
 */
export const seatLimit = defineWorking<Input, SeatLimit>({
  name: 'seat-limit',
  says: 'The pressure that seating the beads must never pass',
  input: {
    sidewallKpa: quantity('kPa', 20, 1000, 'Seating limit on the sidewall').optional(),
    rimKpa: quantity('kPa', 20, 1000, 'Limit of the rim').optional(),
    shopCeilingKpa: quantity('kPa', 20, 344.74, 'The shop\u2019s ceiling, never above 50 psi'),
  },
  example: { sidewallKpa: 280, shopCeilingKpa: 275.79 },
  work({ sidewallKpa, rimKpa, shopCeilingKpa }, show) {
    const known: { binds: SeatLimit['binds']; kpa: number }[] = [];
    if (sidewallKpa !== undefined) known.push({ binds: 'sidewall', kpa: show.line('sidewall', 'as printed', sidewallKpa, 'kPa') });
    if (rimKpa !== undefined) known.push({ binds: 'rim', kpa: show.line('rim', 'as marked', rimKpa, 'kPa') });
    known.push({ binds: 'shop ceiling', kpa: show.line('shop ceiling', 'rule', shopCeilingKpa, 'kPa') });
    const lowest = known.reduce((a, b) => (b.kpa < a.kpa ? b : a));
    const limitKpa = show.line('limit', 'the lowest of them', lowest.kpa, 'kPa');
    show.basis(lowest.binds === 'sidewall' ? 'sidewall' : lowest.binds === 'rim' ? 'manual' : 'shop rule', `${lowest.binds} binds`);
    if (sidewallKpa === undefined) {
      show.verdict('check');
      show.caution('Read the sidewall for a seating limit before you inflate.');
    }
    for (const caution of SEATING_CAUTIONS) show.caution(caution);
    return { limitKpa, binds: lowest.binds };
  },
});
