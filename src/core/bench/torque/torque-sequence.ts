import { listOf, oneOf, quantity, record, text } from '../../base/fields';
import { RENEWS, type Renews } from '../../fit/wheels/wheel';
import { defineWorking, reason, worstOf, type Reason, type Verdict } from '../../base/working';
import { inTighteningOrder, isCritical, roleOf, type FastenerRole } from './fastener-role';
import { clampsTimes, LUBRICANTS, type Lubricant } from './thread';
import { torqueWrench, WRENCHES_FIELD, type TorqueWrench } from './torque-wrench';

/** A fastener to be tightened: its value is the manual's or the record's, never made up here. */
interface ToTighten {
  name: string;
  torqueNm: number | null;
  renews?: Renews;
  /**
   * The lubricant on its threads now, if its value is for dry ones; left out if the manual means
   * what is on them.
   */
  thread?: Lubricant;
  /** An extension head in line with the handle. */
  extensionMm?: number;
}

interface Input {
  fasteners: ToTighten[];
  wrenches: TorqueWrench[];
}

/** One fastener in its turn. */
export interface TorqueTurn {
  name: string;
  role: FastenerRole;
  torqueNm: number | null;
  wrench: string | null;
  /** The wrench's setting; differs from the torque with an extension in line. */
  settingNm: number | null;
  /** The clamp force as a multiple of that on dry threads. */
  clampsTimes: number;
  verdict: Verdict;
  says: string[];
}

interface TorqueSequence {
  turns: TorqueTurn[];
  reasons: Reason[];
}

const ROLE_SAYS: Partial<Record<FastenerRole, string>> = {
  'wheel nut': 'Crossing, on the ground again.',
  axle: 'Watch both ends: the far end must not turn too.',
  'pinch bolt': 'After the axle nut.',
  caliper: 'Brake held with its hose clear.',
};

const RENEWS_SAYS: Record<Renews, string | null> = {
  nothing: null,
  'split pin': 'A new cotter pin.',
  nut: 'A new nut.',
  bolt: 'A new bolt.',
};

/** One turn: with which wrench, and what to mind. */
const turnOf = (it: ToTighten, wrenches: TorqueWrench[]): TorqueTurn => {
  const role = roleOf(it.name);
  const times = it.thread === undefined ? 1 : clampsTimes(it.thread);
  const base = { name: it.name, role, torqueNm: it.torqueNm, clampsTimes: times };
  const says = [ROLE_SAYS[role], RENEWS_SAYS[it.renews ?? 'nothing']].filter((s): s is string =>
    Boolean(s),
  );
  if (it.torqueNm === null) {
    const mustHave = isCritical(it);
    return {
      ...base,
      wrench: null,
      settingNm: null,
      verdict: mustHave ? 'stop' : 'check',
      says: [
        mustHave
          ? 'No torque in the record: from the machine’s manual.'
          : 'Snug: no figure in the record.',
        ...says,
      ],
    };
  }
  const {
    wrench,
    settingNm,
    reason: why,
  } = torqueWrench.run({
    torqueNm: it.torqueNm,
    wrenches,
    ...(it.extensionMm === undefined ? {} : { extensionMm: it.extensionMm }),
  }).result;
  if (!wrench)
    return { ...base, wrench: null, settingNm: null, verdict: 'stop', says: [why, ...says] };
  return {
    ...base,
    wrench: wrench.name,
    settingNm,
    verdict: times > 1 ? 'check' : 'good',
    says:
      times > 1
        ? [`Clamps ${times.toFixed(2)}× as hard as dry. Check which one the manual means.`, ...says]
        : says,
  };
};

/**
 * The fasteners in the order in which they are tightened, each with the wrench that covers it and
 * its setting.
 *
 * Up to 40 fasteners, 0.1 to 1000 N·m by the manual; what they hold is read from their names. By
 * hand first, to the torque in this order, then once round again. Source: F = T / (K d) and torque
 * factors by Shigley; lever statics for an extension; the order is common practice.
 */
export const torqueSequence = defineWorking<Input, TorqueSequence>({
  name: 'torque-sequence',
  title: 'Torque sequence',
  input: () => ({
    fasteners: listOf(
      record(
        {
          name: text(60, 'Name of the fastener'),
          torqueNm: quantity('Nm', 0.1, 1000, 'Torque in the manual').allow(null),
          renews: oneOf(RENEWS, 'One-time part').optional(),
          thread: oneOf(LUBRICANTS, 'On threads (value is for dry)').optional(),
          extensionMm: quantity('mm', 0, 1000, 'Extension head in line with the handle').optional(),
        },
        'A fastener',
      ),
      40,
      'The fasteners of this wheel',
    ),
    wrenches: WRENCHES_FIELD,
  }),
  example: {
    fasteners: [
      { name: 'caliper bolts', torqueNm: 27 },
      { name: 'rear axle nut', torqueNm: 96, renews: 'split pin', thread: 'anti-seize' },
    ],
    wrenches: [
      { name: 'long click', minNm: 40, maxNm: 190 },
      { name: 'short click', minNm: 8, maxNm: 50 },
    ],
  },
  work({ fasteners, wrenches }, show) {
    const turns = inTighteningOrder(fasteners).map((f) => turnOf(f, wrenches));
    show.line('fasteners', 'in the order in which they are tightened', turns.length);
    for (const t of turns)
      if (t.settingNm !== null) show.line(t.name, `${t.wrench} set to`, t.settingNm, 'Nm');
    show.basis('practice', 'all by hand first, axle before pinch bolts, then once round again');
    show.basis('manual', 'every torque');
    if (turns.some((t) => t.clampsTimes > 1))
      show.basis(
        'published',
        'Shigley: torque factors and F = T / (K d), which scatters by a quarter either way',
      );
    show.caution('Values from the machine’s manual. Dry values are for dry threads.');
    if (turns.some((t) => t.role === 'axle'))
      show.caution('Both ends of the axle are watched: the far end must not turn.');
    const reasons =
      turns.length === 0
        ? [reason('stop', 'No torque values are known: take them from the machine’s manual.')]
        : turns
            .filter((t) => t.verdict !== 'good')
            .map((t) => reason(t.verdict, `${t.name}: ${t.says[0]}`));
    show.verdict(worstOf(reasons));
    return { turns, reasons };
  },
});
