import type { LeverAct, LeverSeen } from '../../../core/practice';
import type { Unit } from '../../../core/base/units';

interface Say {
  mm: (value: number, digits?: number) => string;
  place: (deg: number) => string;
}

/** An act, in the words of the list. */
export const leverActWords = (act: LeverAct, say: Say): string => {
  switch (act.do) {
    case 'start':
      return `begun at ${say.place(act.deg)}, a quarter fitted by hand`;
    case 'kneel':
      return `a knee at ${say.place(act.deg)}`;
    case 'bite':
      return `${say.mm(act.mm, 0)} ${act.end === 'clockwise' ? 'clockwise' : 'the other way'}`;
    default:
      return act.do === 'feel'
        ? 'felt for the tube'
        : act.do === 'push down'
          ? 'pushed down'
          : 'lock pressed in';
  }
};

/** The result, in words. */
export const leverSeenWords = (seen: LeverSeen, say: Say): string => {
  switch (seen.is) {
    case 'done':
      return '';
    case 'goes':
      return `goes, ${seen.effort}: ${say.mm(seen.spareMm, 1)} to spare`;
    case 'stuck':
      return `stuck, ${say.mm(seen.shortMm, 1)} short`;
    case 'on the lock':
      return 'stuck on the rim lock';
    case 'pinched':
      return `goes, and pinches the tube at ${say.place(seen.deg)}`;
    case 'scratched':
      return `goes heavily, and scratches the rim at ${say.place(seen.deg)}`;
    case 'keeper lifts':
      return 'the keeper lifts: the first bites come out again';
  }
};

/** Units as the fitter has them. */
export const leverSay = (
  say: (value: number, unit: Unit, more?: { digits?: number }) => string,
  place: (deg: number) => string,
): Say => ({ mm: (value, digits = 0) => say(value, 'mm', { digits }), place });
