import { InputError } from '../src/core/base/errors';
import { complete } from '../src/core/shop/records';
import type { Machine, Wheel } from '../src/core/fit/wheels';
import type { Entry, EntryData, EntryKind } from '../src/core/job/entries';
import type { StationId } from '../src/core/base/stations';

/** An invented machine and wheels for tests. */
export const sampleMachine = (more: Partial<Machine> = {}): Machine =>
  complete('machines', {
    id: 'm',
    name: 'Hob 250',
    kind: 'dirt',
    rider: 'Ned Ash',
    drive: 'chain',
    placardFrontKpa: null,
    placardRearKpa: 220,
    fasteners: [
      { name: 'rear axle nut', wheel: 'rear', torqueNm: 100, socket: '27 mm', renews: 'nothing' },
      { name: 'front axle', wheel: 'front', torqueNm: 70, socket: null, renews: 'nothing' },
      { name: 'rim lock nut', wheel: 'any', torqueNm: null, socket: null, renews: 'nothing' },
    ],
    ...more,
  });

export const sampleWheel = (more: Partial<Wheel> = {}): Wheel =>
  complete('wheels', {
    id: 'w',
    machineId: 'm',
    position: 'rear',
    build: 'spoked',
    rimCode: '2.15x18',
    tireMarking: '110/90-18',
    tube: true,
    rimLockDegs: [210],
    spokes: 36,
    discSide: 'right',
    rimLimitKpa: null,
    ...more,
  });

/** A tire that was chosen, with its tube. */
export const sampleChosen = (more: Partial<EntryData['chosen']> = {}): EntryData['chosen'] => ({
  marking: '120/90-18 65M TT',
  dateCode: '0826',
  tireId: 't',
  tube: true,
  tubeId: 'u',
  tubeLabel: '120/90-18, 110/100-18',
  lightMark: true,
  seatLimitKpa: 250,
  tread: 'soft',
  arrows: 'one',
  takeOff: false,
  treadMm: null,
  doubled: false,
  parts: [
    { what: 'tire 120/90-18 65M TT', count: 1, stockId: 't' },
    { what: 'rim strip', count: 2, stockId: 's' },
    { what: 'tube', count: 1, stockId: 'u' },
  ],
  ...more,
});

/** Builds a log entry by entry. */
export const logOf = () => {
  const log: Entry[] = [];
  return {
    log,
    add<K extends EntryKind>(
      kind: K,
      data: EntryData[K],
      more: { replaces?: string; station?: StationId; who?: string } = {},
    ): string {
      const seq = log.length + 1;
      const id = `e${seq}`;
      const at = new Date(Date.UTC(2026, 3, 30, 9, seq)).toISOString();
      log.push({
        id,
        seq,
        at,
        who: more.who ?? 'Ada Marl',
        station: more.station ?? 'intake',
        kind,
        data,
        ...(more.replaces ? { replaces: more.replaces } : {}),
      } as Entry);
      return id;
    },
    open(machine = sampleMachine(), wheel = sampleWheel()) {
      this.add('opened', { machine, wheel, rider: machine.rider });
      this.add('rules', { values: {} });
      return this;
    },
  };
};

/** The input error that something is refused with; any other error, or none, fails the test. */
export const problemOf = (run: () => unknown): InputError => {
  try {
    run();
  } catch (error) {
    if (error instanceof InputError) return error;
    throw error;
  }
  throw new Error('nothing was refused');
};
